declare module "hoodiecrow-imap" {
  import type { Server } from "node:net";

  type Hoodiecrow = Pick<Server, "listen" | "close"> & {
    server: Server;
    appendMessage: (box: string, flags: string[], date: Date, source: string) => void;
  };
  const hoodiecrow: (options: object) => Hoodiecrow;
  export = hoodiecrow;
}
