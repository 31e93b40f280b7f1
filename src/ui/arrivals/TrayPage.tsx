"use client";

import NextLink from "next/link";
import { type ReactNode, useState } from "react";

import type { BookFacts } from "@/contracts/shell";
import { type Day, formatDay } from "@/core/calendar";

import { Act } from "../kit/buttons";
import { TextField } from "../kit/fields";
import { PageHeading, Title } from "../kit/headings";
import { ActRow, Form } from "../kit/layout";
import { LedgerList } from "../kit/lists/LedgerList";
import { useOpenRow } from "../kit/lists/useOpenRow";
import { useActing } from "../shell/Notices";
import { ArrivalsTabs } from "./ArrivalsTabs";
import { FIELD_WORDS } from "./fieldWords";

type TrayLine = {
  id: number;
  fileId: number;
  file: string;
  onDay: Day;
  line: number;
  column: string;
  why: string;
};
type TrayPageProps = BookFacts & {
  rows: readonly TrayLine[];
  count: number;
  page: number;
  pageRows: number;
};

/** Lines that were refused, or say otherwise than what was posted before: read again, or dropped with a reason. */
export function TrayPage({ rows, count, page, pageRows, book, today }: TrayPageProps): ReactNode {
  const [open, setOpen] = useOpenRow();
  return (
    <>
      <PageHeading>
        <Title>
          {count}{" "}
          <small>
            {count === 1 ? "line waits" : "lines wait"}: refused, or told otherwise than it stands
            in the book
          </small>
        </Title>
        <ArrivalsTabs at="tray" />
      </PageHeading>
      <LedgerList<TrayLine>
        label="Lines in the tray"
        rows={rows}
        idOf={({ id }) => id}
        count={count}
        page={page}
        pageRows={pageRows}
        openId={open}
        onOpen={setOpen}
        workings={(line) => <TrayWorkings key={line.id} line={line} book={book} />}
        columns={[
          {
            id: "file",
            narrow: "who",
            header: "File",
            width: "20%",
            cell: ({ file }) => <span title={file}>{file}</span>,
          },
          {
            id: "line",
            narrow: "sum",
            header: "Line",
            width: "6%",
            number: true,
            cell: ({ line }) => line,
          },
          {
            id: "on",
            narrow: "more",
            header: "Taken in",
            width: "10%",
            cell: ({ onDay }) => formatDay(onDay, today),
          },
          {
            id: "column",
            narrow: "more",
            header: "Column",
            width: "11%",
            cell: ({ column }) => (
              <span data-tone="soft">{FIELD_WORDS[column] ?? (column || "the line")}</span>
            ),
          },
          {
            id: "why",
            narrow: "state",
            header: "Why",
            width: "53%",
            cell: ({ why }) => <span title={why}>{why}</span>,
          },
        ]}
        empty={
          <p>
            No line waits here: every line of every file was taken in, known, or left out by a rule.
          </p>
        }
      />
    </>
  );
}

/** What can be done with a refused line. */
function TrayWorkings({ line, book }: { line: TrayLine; book: string }): ReactNode {
  const { act, busy } = useActing();
  const [reason, setReason] = useState("");
  const drop = (): void =>
    void act<{ actId: number }>("dropLine", { lineId: line.id, reason }, ({ actId }) => ({
      words: `Line ${line.line} of ${line.file} is dropped.`,
      undo: actId,
    }));
  return (
    <Form
      maxWidth="640px"
      padding="2px 0 12px 16px"
      onSubmit={(event) => {
        event.preventDefault();
        drop();
      }}
    >
      <p>{line.why}</p>
      <p>
        <NextLink href={`/b/${book}/files/${line.fileId}?line=${line.line}`}>
          The line as it came
        </NextLink>
        , or{" "}
        <NextLink href={`/b/${book}/arrivals?again=${line.fileId}`}>
          read its file again, and mend it there
        </NextLink>
        .
      </p>
      <TextField
        label="Or drop it, because"
        value={reason}
        maxLength={200}
        placeholder="a test payment"
        onChange={(event) => setReason(event.target.value)}
      />
      <ActRow>
        <Act type="submit" disabled={busy || reason.trim().length < 3}>
          Drop it
        </Act>
      </ActRow>
    </Form>
  );
}
