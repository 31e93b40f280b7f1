import type { AddressInfo } from "node:net";

import hoodiecrow from "hoodiecrow-imap";

/**
 * A mailbox for tests: it speaks IMAP on this machine, and forgets everything when it ends.
 * `validity`: its UIDVALIDITY; another one says that its mails are numbered anew.
 */
export class Mailbox {
  private constructor(private readonly server: ReturnType<typeof hoodiecrow>) {}

  static async start(validity = 1): Promise<Mailbox> {
    const server = hoodiecrow({
      storage: { INBOX: { messages: [], uidvalidity: validity } },
      users: { "office@kestrelrow.example": { password: "open" } },
    });
    await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
    return new Mailbox(server);
  }

  get port(): number {
    return (this.server.server.address() as AddressInfo).port;
  }

  /** A mail comes in. */
  add(head: Readonly<Record<string, string>>, body: string): void {
    const fields = Object.entries(head).map(([name, value]) => `${name}: ${value}`);
    const source = [...fields, "MIME-Version: 1.0", body].join("\r\n");
    this.server.appendMessage("INBOX", [], new Date(), source);
  }

  end(): Promise<void> {
    return new Promise((resolve) => {
      this.server.close(() => resolve());
    });
  }
}

/** The body of a mail of text, with files. */
export function withFiles(text: string, files: Readonly<Record<string, string>>): string {
  const parts = Object.entries(files).map(([name, content]) =>
    [
      "--b1",
      "Content-Type: application/octet-stream",
      `Content-Disposition: attachment; filename="${name}"`,
      "Content-Transfer-Encoding: base64",
      "",
      Buffer.from(content).toString("base64"),
    ].join("\r\n"),
  );
  const first = ["--b1", "Content-Type: text/plain; charset=utf-8", "", text].join("\r\n");
  const head = 'Content-Type: multipart/mixed; boundary="b1"\r\n\r\n';
  return `${head}${[first, ...parts, "--b1--", ""].join("\r\n")}`;
}
