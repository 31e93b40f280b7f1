import { fail, ok, type Result } from "@/core/result";

/**
 * What a mail of the mail system reports: of which letter (its Message-ID, where it says so), and
 * for each address whether it is written off, and why.
 */
export type MailReport = {
  file: string;
  messageId: string | null;
  recipients: { address: string; forGood: boolean; why: string }[];
};

/** The largest mail that is read; a report may carry the whole letter with its papers. */
export const MOST_MAIL_BYTES = 20_000_000;
const MOST_WHY = 160;

/**
 * Reads a delivery status notification (RFC 3464): a mail of which one part is
 * message/delivery-status, with a group of fields for the mail and one for each
 * address. Action "failed" gives an address up; "delayed" does not, and
 * "delivered", "relayed" and "expanded" are no trouble. Errors: mail.large,
 * mail.no_report where it is any other mail.
 */
export async function readReturnedMail(
  file: string,
  bytes: Buffer,
): Promise<Result<MailReport, "mail.large" | "mail.no_report">> {
  if (bytes.length > MOST_MAIL_BYTES)
    return fail("mail.large", { file, most: MOST_MAIL_BYTES / 1_000_000 });
  const { simpleParser } = await import("mailparser");
  const mail = await simpleParser(bytes, { keepDeliveryStatus: true });
  const part = (type: RegExp): string | null =>
    mail.attachments.find(({ contentType }) => type.test(contentType))?.content.toString("utf8") ??
    null;
  const status = part(/^message\/delivery-status$/i);
  if (status === null) return fail("mail.no_report", { file });
  const groups = status
    .replaceAll("\r\n", "\n")
    .split(/\n\s*\n/)
    .map(fieldsOf)
    .filter((fields) => fields.size > 0);
  const recipients = groups.flatMap((fields) => {
    const [address, action] = [
      addressIn(fields.get("original-recipient") ?? fields.get("final-recipient")),
      (fields.get("action") ?? "").toLowerCase(),
    ];
    if (address === null || !["failed", "delayed"].includes(action)) return [];
    return [{ address, forGood: action === "failed", why: whyIn(fields) }];
  });
  const original = part(/^message\/(rfc822|global)$/i) ?? part(/^text\/rfc822-headers$/i) ?? "";
  return recipients.length === 0
    ? fail("mail.no_report", { file })
    : ok({
        file,
        messageId:
          fieldsOf(original.replaceAll("\r\n", "\n").split("\n\n")[0] ?? "").get("message-id") ??
          null,
        recipients,
      });
}

/** Header fields by their names in small letters, folded lines joined (RFC 5322 2.2.3). */
function fieldsOf(text: string): Map<string, string> {
  const fields = new Map<string, string>();
  for (const line of text.replace(/\n[ \t]+/g, " ").split("\n")) {
    const found = /^([!-9;-~]+)[ \t]*:(.*)$/.exec(line);
    if (found && !fields.has((found[1] ?? "").toLowerCase()))
      fields.set((found[1] ?? "").toLowerCase(), (found[2] ?? "").trim());
  }
  return fields;
}

/** `rfc822; somebody@example.org` and the like; null where it is no mail address. */
function addressIn(field: string | undefined): string | null {
  const text = (field ?? "")
    .replace(/^[^;]*;/, "")
    .trim()
    .replace(/^<|>$/g, "");
  return /^[^\s@]+@[^\s@]+$/.test(text) ? text : null;
}

/** What the far mail system said, else the status by its class (RFC 3463). */
function whyIn(fields: ReadonlyMap<string, string>): string {
  const said = (fields.get("diagnostic-code") ?? "")
    .replace(/^[^;]*;/, "")
    .replace(/\s+/g, " ")
    .trim();
  const status = fields.get("status") ?? "";
  return (said || (status === "" ? "the mail system gave it up" : `status ${status}`)).slice(
    0,
    MOST_WHY,
  );
}
