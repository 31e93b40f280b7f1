"use client";

import type { ReactNode } from "react";

import { formatDay, type Day } from "@/core/calendar";

import type { Around } from "../documents/types";
import { LedgerList } from "../lists/LedgerList";
import { BooksHeading } from "./BooksHeading";

type Act = { id: number; onDay: Day; at: string; actor: string; text: string; undoneBy: number | null };
type Props = Around & { rows: Act[]; count: number; page: number; pageRows: number };

/** The audit trail: everything that was done, by whom and when. */
export function TrailView({ rows, count, page, pageRows, book, today }: Props): ReactNode {
  return (
    <>
      <BooksHeading view="trail" sum={<>{count.toLocaleString("en")} <small>things done</small></>} end={<a className="soft" href={`/api/v1/b/${book}/export/trail`}>CSV</a>} />
      <LedgerList<Act>
        label="Who did what" rows={rows} idOf={(row) => row.id} count={count} page={page} pageRows={pageRows}
        columns={[
          { id: "on", header: "Day", width: "12%", cell: (row) => formatDay(row.onDay, today), foot: `${count} acts` },
          { id: "at", header: "At (UTC)", width: "16%", cell: (row) => <span className="soft">{row.at.slice(0, 19).replace("T", " ")}</span> },
          { id: "by", header: "By", width: "12%", cell: (row) => row.actor },
          { id: "what", header: "What", width: "52%", cell: (row) => <span title={row.text}>{row.undoneBy === null ? row.text : <s>{row.text}</s>}</span> },
          { id: "undone", header: "Undone", width: "8%", cell: (row) => (row.undoneBy === null ? null : <span className="waits">undone</span>) },
        ]}
        empty={<p>Nothing was done yet.</p>}
      />
    </>
  );
}
