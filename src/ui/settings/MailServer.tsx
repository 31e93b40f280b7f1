"use client";

import type { ReactNode } from "react";

import { useActing } from "../shell/Notices";
import { ServerFields, type ServerWords, useServerForm } from "./ServerForm";
import type { Settings } from "./useFacts";

const WORDS: Omit<ServerWords, "said"> = {
  head: "Mail server",
  host: "Server",
  like: "mail.example.com",
  port: "Port",
  user: "User",
  secret: "Password",
  secure: "secure from the start (port 465)",
  take: "Use this server",
  none: "use none",
  portLike: "587 or 465",
  userNeeded: null,
};
const NONE = { host: "", port: 587, secure: false, user: null };

/** By which server letters leave. */
export function MailServer({ server }: { server: Settings["mailServer"] }): ReactNode {
  const { act, busy } = useActing();
  const said =
    server === null
      ? "none: letters stay in the outbox, as files"
      : "every letter is written to the outbox too";
  const words = { ...WORDS, said };
  const form = useServerForm(server, NONE, words);
  return (
    <ServerFields
      form={form}
      words={words}
      isSet={server !== null}
      busy={busy}
      keep={async ({ host, port, secure, user, secret }) => {
        const typed = { host, port: Number(port), secure, user: user === "" ? null : user };
        const input = { server: typed, ...(secret === "" ? {} : { secret }) };
        const done = await act("changeMailServer", input, () => ({
          words: `Letters leave by ${host}.`,
        }));
        return done !== null;
      }}
      without={() =>
        void act("changeMailServer", { server: null }, () => ({
          words: "Letters stay in the outbox.",
        }))
      }
    />
  );
}
