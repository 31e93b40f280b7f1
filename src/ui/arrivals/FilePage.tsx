"use client";

import NextLink from "next/link";
import type { ReactNode } from "react";

import { formatDay } from "@/core/calendar";

import type { Around } from "../history/types";
import { LedgerList } from "../kit/lists/LedgerList";
import type { TakenFile } from "./types";

type Row = { line: number; cells: readonly string[] };
type Props = Around & {
  file: TakenFile & { sha256: string; size: number };
  headers: readonly string[];
  rows: Row[];
  count: number;
  page: number;
  pageRows: number;
  line: number | null;
  documents: { words: string; href: string }[];
};

/** A file that was taken in, as it was given; a line shows what became of it. */
export function FilePage({
  file,
  headers,
  rows,
  count,
  page,
  pageRows,
  line,
  documents,
  book,
  today,
}: Props): ReactNode {
  const width = `${Math.floor(94 / Math.max(1, headers.length))}%`;
  return (
    <>
      <div className="heading">
        <h1>
          {file.rowsNew} <small>new of {count} lines</small>
        </h1>
        <span>
          <b className="strong">{file.name}</b>{" "}
          <span className="soft">
            taken in {formatDay(file.onDay, today)} by {file.actor}; {file.rowsKnown} known,{" "}
            {file.rowsChanged} changed, {file.rowsRefused} refused
          </span>
        </span>
      </div>
      <p className="soft" style={{ margin: "0 0 6px", fontSize: 12.5, overflowWrap: "anywhere" }}>
        Kept unchanged, {file.size.toLocaleString("en")} bytes, SHA-256 {file.sha256}
      </p>
      <LedgerList<Row>
        label={file.name}
        rows={rows}
        idOf={(row) => row.line}
        count={count}
        page={page}
        pageRows={pageRows}
        openId={line}
        workings={() => <Became documents={documents} book={book} />}
        columns={[
          {
            id: "line",
            header: "Line",
            width: "6%",
            number: true,
            cell: (row) => (
              <NextLink href={`?line=${row.line}`} prefetch={false}>
                {row.line}
              </NextLink>
            ),
          },
          ...headers.map((header, at) => ({
            id: `${at}`,
            header: header || "–",
            width,
            cell: (row: Row) => <span title={row.cells[at] ?? ""}>{row.cells[at] ?? ""}</span>,
          })),
        ]}
        empty={<p>The file cannot be shown: it is not in the book’s folder any more.</p>}
      />
    </>
  );
}

function Became({ documents, book }: { documents: Props["documents"]; book: string }): ReactNode {
  if (documents.length === 0)
    return (
      <p className="soft" style={{ paddingLeft: 16 }}>
        This line led to no document: it was known already, refused, or not of this job.
      </p>
    );
  return (
    <ul style={{ paddingLeft: 16, listStyle: "none", margin: 4 }}>
      {documents.map((one) => (
        <li key={one.href + one.words}>
          became <NextLink href={`/b/${book}/${one.href}`}>{one.words}</NextLink>
        </li>
      ))}
    </ul>
  );
}
