"use client";

import { chakra } from "@chakra-ui/react";
import NextLink from "next/link";
import type { ReactNode } from "react";

import type { AuditTrailRow } from "@/contracts/books";
import type { BookFacts } from "@/contracts/shell";
import { formatDay } from "@/core/calendar";

import { Act } from "../kit/buttons";
import { ActRow } from "../kit/layout";
import { LedgerList } from "../kit/lists/LedgerList";
import { ListFiles } from "../kit/lists/ListFiles";
import { useOpenRow } from "../kit/lists/useOpenRow";
import { useActing } from "../shell/Notices";
import { BooksHeading } from "./BooksHeading";

type Props = BookFacts & {
  rows: AuditTrailRow[];
  count: number;
  page: number;
  pageRows: number;
  /** The last hash of the chain: whoever keeps it can tell later whether the history was rewritten. */
  head: string;
};

/**
 * The audit trail: everything that was done, by whom and when; what can be undone can be undone
 * from here, at any later time.
 */
export function AuditTrailView({
  rows,
  count,
  page,
  pageRows,
  head,
  book,
  today,
}: Props): ReactNode {
  const [open, setOpen] = useOpenRow();
  return (
    <>
      <BooksHeading
        view="trail"
        sum={
          <>
            {count.toLocaleString("en")} <small>things done</small>
          </>
        }
        end={<ListFiles book={book} list="trail" />}
      />
      <chakra.p data-tone="soft" margin="0 0 6px" fontSize="12.5px" overflowWrap="anywhere">
        Each thing done is sealed with the one before. The last seal: {head}
      </chakra.p>
      <LedgerList<AuditTrailRow>
        label="Audit trail"
        rows={rows}
        idOf={(row) => row.id}
        openId={open}
        onOpen={setOpen}
        count={count}
        page={page}
        pageRows={pageRows}
        columns={[
          {
            id: "on",
            narrow: "state",
            header: "Day",
            width: "12%",
            cell: (row) => formatDay(row.onDay, today),
            foot: `${count} acts`,
          },
          {
            id: "at",
            header: "At",
            width: "16%",
            cell: (row) => <span data-tone="soft">{row.at}</span>,
          },
          { id: "by", narrow: "more", header: "By", width: "12%", cell: (row) => row.actor },
          {
            id: "what",
            narrow: "who",
            header: "What",
            width: "52%",
            cell: (row) => (
              <span title={row.text}>{row.undoneBy === null ? row.text : <s>{row.text}</s>}</span>
            ),
          },
          {
            id: "undone",
            narrow: "sum",
            header: "Undone",
            width: "8%",
            cell: (row) => (row.undoneBy === null ? null : <span data-tone="waits">undone</span>),
          },
        ]}
        workings={(row) => <Standing key={row.id} row={row} book={book} />}
        empty={<p>Nothing was done yet.</p>}
      />
    </>
  );
}

/**
 * What can be done about an act: see what it was done to, undo it, or undo all that was done in one
 * go with it.
 */
function Standing({ row, book }: { row: AuditTrailRow; book: string }): ReactNode {
  const { act, busy } = useActing();
  return (
    <ActRow padding="0 16px">
      {row.undoable ? (
        <Act
          main
          disabled={busy}
          onClick={() =>
            void act("undo", { actId: row.id }, () => ({
              words: "Undone. Both entries stay in the journal.",
            }))
          }
        >
          Undo this
        </Act>
      ) : (
        <span data-tone="soft">
          {row.undoneBy === null ? "This cannot be undone by itself." : "This was undone."}
        </span>
      )}
      {row.together > 1 ? (
        <Act
          disabled={busy}
          onClick={() =>
            void act<{ undone: number }>("undoTogether", { commandId: row.commandId }, (value) => ({
              words: `All ${value.undone} undone. Both entries of each stay in the journal.`,
            }))
          }
        >
          Undo all {row.together} done in one go
        </Act>
      ) : null}
      {row.href ? (
        <NextLink href={`/b/${book}/${row.href}`} prefetch={false}>
          What it was done to
        </NextLink>
      ) : null}
    </ActRow>
  );
}
