import type { AddressInfo } from "node:net";

import hoodiecrow from "hoodiecrow-imap";

/** How a practice mailbox is opened; `validity`: its UIDVALIDITY, and another one numbers its mails anew. */
type Opening = { user: string; password: string; validity?: number; port?: number };

/** A mailbox on this machine that speaks IMAP, and forgets everything when it ends. */
export class PracticeBox {
  private constructor(private readonly server: ReturnType<typeof hoodiecrow>) {}

  /** Throws where the port is taken. */
  static async open({ user, password, validity = 1, port = 0 }: Opening): Promise<PracticeBox> {
    const server = hoodiecrow({
      storage: { INBOX: { messages: [], uidvalidity: validity } },
      users: { [user]: { password } },
    });
    await new Promise<void>((resolve, reject) => {
      server.server.once("error", reject);
      server.listen(port, "127.0.0.1", resolve);
    });
    return new PracticeBox(server);
  }

  get port(): number {
    return (this.server.server.address() as AddressInfo).port;
  }

  /** A mail comes in, as it stands (RFC 5322). */
  add(source: string): void {
    this.server.appendMessage("INBOX", [], new Date(), source);
  }

  end(): Promise<void> {
    return new Promise((resolve) => {
      this.server.close(() => resolve());
    });
  }
}
