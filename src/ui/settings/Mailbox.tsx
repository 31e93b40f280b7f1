"use client";

import type { ReactNode } from "react";

import { fieldsOf } from "../kit/checked";
import { TextField } from "../kit/fields";
import { useActing } from "../shell/Notices";
import { ServerFields, type ServerWords, useServerForm } from "./ServerForm";
import type { Settings } from "./useFacts";

const WORDS: Omit<ServerWords, "said"> = {
  head: "Mailbox",
  host: "Mailbox at",
  like: "imap.example.com",
  port: "Port of the mailbox",
  user: "Name of the mailbox",
  secret: "Password of the mailbox",
  secure: "secure from the start (port 993)",
  take: "Read this mailbox",
  none: "read none",
  portLike: "993 or 143",
  userNeeded: "The name of the mailbox, often its address.",
};
const NONE = { host: "", port: 993, secure: true, user: "", from: [] };

/** Which mailbox is read, and who may send files to it. */
export function Mailbox({ mailbox }: { mailbox: Settings["mailbox"] }): ReactNode {
  const { act, busy } = useActing();
  const said =
    mailbox === null
      ? "none is read"
      : "files, answers and letters that came back are taken from it each minute";
  const words = { ...WORDS, said };
  const form = useServerForm(mailbox, NONE, words);
  return (
    <ServerFields
      form={form}
      words={words}
      isSet={mailbox !== null}
      busy={busy}
      keep={async ({ secret, port, from, ...typed }) => {
        const names = from.split(/[\s,;]+/).filter(Boolean);
        const input = { mailbox: { ...typed, port: Number(port), from: names } };
        const told = secret === "" ? input : { ...input, secret };
        const done = await act("changeMailbox", told, () => ({
          words: `The mailbox of ${typed.user} is read from the next minute on.`,
        }));
        return done !== null;
      }}
      without={() =>
        void act("changeMailbox", { mailbox: null }, () => ({ words: "No mailbox is read." }))
      }
    >
      <TextField
        label="Files may come from"
        {...fieldsOf(form)("from")}
        placeholder="nobody"
        help="Addresses, or @example.com for everybody there, with commas between. What is proven is taken in, the rest waits under Files."
      />
    </ServerFields>
  );
}
