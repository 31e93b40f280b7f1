"use client";

import { Box, chakra, Textarea } from "@chakra-ui/react";
import { type ReactNode, useState } from "react";

import type { FollowUpWorkings, OverdueLine } from "@/contracts/overdue";

import { Act } from "../kit/buttons";
import { LineField } from "../kit/fields";
import { ActRow } from "../kit/layout";
import { useLeave, useRowKeys } from "../kit/lists/opening";
import { useActing } from "../shell/Notices";
import { FilesWaiting } from "./FilesWaiting";

/** The letter with its fields filled; its words can be changed, and it goes only after a second step. */
export function Letter({
  workings,
  row,
  back,
  done,
}: {
  workings: FollowUpWorkings;
  row: OverdueLine;
  back: () => void;
  done: () => void;
}): ReactNode {
  const { act, book, busy } = useActing();
  const [subject, setSubject] = useState(workings.subject);
  const [body, setBody] = useState(workings.body);
  const send = (): void => {
    if (busy || workings.problem !== null) return;
    void act<{ letterId: number }>(
      "sendLetter",
      { customerId: row.id, subject, body, despiteFiles: workings.filesWaiting },
      () => ({
        words: `Letter to ${row.name} is in the outbox.`,
        final: "A letter that left cannot be taken back.",
      }),
    ).then((value) => {
      if (value) done();
    });
  };
  useRowKeys("enter", send);
  useLeave(back);
  return (
    <Box>
      <chakra.p data-tone="soft" margin="4px 0">
        To{" "}
        {workings.problem === null ? workings.to : <span data-tone="off">{workings.problem}</span>}.
        One letter for all of it; once sent it cannot be taken back.
      </chakra.p>
      <LineField
        kind="words"
        width="100%"
        aria-label="Subject"
        value={subject}
        onChange={(event) => setSubject(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === "Escape") back();
        }}
      />
      <Textarea
        aria-label="Letter"
        value={body}
        onChange={(event) => setBody(event.target.value)}
        rows={13}
      />
      <FilesWaiting book={book} names={workings.filesWaiting} />
      <ActRow>
        <Act main hint="Enter" onClick={send} disabled={busy || workings.problem !== null}>
          {workings.filesWaiting.length > 0 ? "Send it all the same" : "Send it"}
        </Act>
        <Act hint="Esc" onClick={back}>
          Not now
        </Act>
      </ActRow>
    </Box>
  );
}
