import { createServer, type AddressInfo, type Server } from "node:net";

/** A mail server of a few lines, for tests: it answers RCPT with what it is told to, and keeps what it heard. */
export class MailServer {
  readonly heard: string[] = [];
  /** What it answers to a recipient. */
  answer = "250 fine";
  /** What it answers to a sender, and to the letter itself. */
  sender = "250 fine";
  taken = "250 taken";
  /** Whether it keeps its answer to a letter to itself. */
  silent = false;
  /** What it answers to one recipient instead. */
  readonly answers = new Map<string, string>();
  private constructor(private readonly server: Server) {}

  static async start(): Promise<MailServer> {
    const made: MailServer = new MailServer(
      createServer((socket) => {
        let inData = false;
        // Who was killed in the middle of a letter leaves a connection that is reset.
        socket.on("error", () => socket.destroy());
        socket.write("220 test\r\n");
        socket.on("data", (chunk) => {
          for (const line of chunk
            .toString()
            .split("\r\n")
            .filter((name) => name !== "")) {
            made.heard.push(line);
            if (inData) {
              if (line === ".") {
                inData = false;
                if (!made.silent) socket.write(`${made.taken}\r\n`);
              }
              continue;
            }
            if (/^DATA/i.test(line)) {
              inData = true;
              socket.write("354 go on\r\n");
            } else if (/^QUIT/i.test(line)) socket.end("221 bye\r\n");
            else if (/^MAIL/i.test(line)) socket.write(`${made.sender}\r\n`);
            else
              socket.write(
                /^RCPT/i.test(line)
                  ? `${made.answers.get(/<(.*)>/.exec(line)?.[1] ?? "") ?? made.answer}\r\n`
                  : "250 fine\r\n",
              );
          }
        });
      }),
    );
    await new Promise<void>((resolve) => made.server.listen(0, "127.0.0.1", resolve));
    return made;
  }

  /** As a book names it. */
  get parts(): { host: string; port: number; secure: false; user: null } {
    const { port } = this.server.address() as AddressInfo;
    return { host: "127.0.0.1", port, secure: false, user: null };
  }

  stop(): void {
    this.server.close();
  }
}
