"use client";

import { type ReactNode, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import type { Written } from "@/contracts/invoices";
import { type Day, formatDay } from "@/core/calendar";

import { Act } from "../kit/buttons";
import { LineText, TextField } from "../kit/fields";
import { inDialog } from "../kit/keys";
import { ActRow } from "../kit/layout";
import { useActing } from "../shell/Notices";

type SendQuestionProps = { written: Written; today: Day };

/** Brings a document to its customer by mail, with the book's words or its own. */
export function SendQuestion({ written, today }: SendQuestionProps): ReactNode {
  const { act, busy } = useActing();
  const [open, setOpen] = useState(false);
  const [subject, setSubject] = useState("");
  const [body, setBody] = useState("");
  useHotkeys("m", () => setOpen(true), { ignoreEventWhen: inDialog, preventDefault: true }, []);
  const { reachedOn } = written;
  const send = (): void => {
    const own = subject.trim() !== "" && body.trim() !== "";
    void act<{ sent: number; refused: { why: string }[] }>(
      "sendDocuments",
      {
        ids: [written.id],
        again: reachedOn !== null,
        subject: own ? subject : null,
        body: own ? body : null,
      },
      ({ sent, refused }) => ({
        words: sent === 1 ? "It is on its way." : `It was not sent: ${refused[0]?.why ?? ""}`,
        final: "A letter that left cannot be taken back.",
      }),
    ).then(() => setOpen(false));
  };
  if (!open)
    return (
      <ActRow>
        <span data-tone={reachedOn === null ? "waits" : "soft"}>
          {reachedOn === null ? "not sent yet" : `went out ${formatDay(reachedOn, today)}`}
        </span>
        <Act hint="M" onClick={() => setOpen(true)}>
          {reachedOn === null ? "Mail it …" : "Mail it once more …"}
        </Act>
      </ActRow>
    );
  return (
    <>
      <TextField
        label="Subject, where it is not the book’s"
        value={subject}
        onChange={(event) => setSubject(event.target.value)}
      />
      <LineText
        kind="words"
        rows={5}
        width="100%"
        aria-label="Words, where they are not the book’s"
        placeholder="the book’s words; {{ number }}, {{ total }}, {{ due }}, {{ link }} and {{ account }} are filled in"
        value={body}
        onChange={(event) => setBody(event.target.value)}
      />
      <ActRow>
        <Act main disabled={busy} onClick={send}>
          Mail it
        </Act>
        <Act onClick={() => setOpen(false)}>Not now</Act>
      </ActRow>
    </>
  );
}
