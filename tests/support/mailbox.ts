import { PracticeBox } from "@/practice/mailbox/box";

/**
 * A mailbox for tests, which is the practice one.
 * `validity`: its UIDVALIDITY; another one says that its mails are numbered anew.
 */
export class Mailbox {
  private constructor(private readonly box: PracticeBox) {}

  static async start(validity = 1): Promise<Mailbox> {
    const user = "office@kestrelrow.example";
    return new Mailbox(await PracticeBox.open({ user, password: "open", validity }));
  }

  get port(): number {
    return this.box.port;
  }

  /** A mail comes in. */
  add(head: Readonly<Record<string, string>>, body: string): void {
    const fields = Object.entries(head).map(([name, value]) => `${name}: ${value}`);
    this.box.add([...fields, "MIME-Version: 1.0", body].join("\r\n"));
  }

  end(): Promise<void> {
    return this.box.end();
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
