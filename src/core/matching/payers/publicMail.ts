import providers from "email-providers/all.json" with { type: "json" };

/** Private mail of the made-up people of the demo and of the tests (RFC 2606, section 3). */
const MADE_UP = ["mail.example", "post.example"];

const PUBLIC = new Set([...(providers as readonly string[]), ...MADE_UP]);

/** Whether anybody can have an address there, so that a shared domain says nothing of who pays. */
export function isPublicMail(domain: string): boolean {
  return PUBLIC.has(domain);
}
