"use client";

import { chakra } from "@chakra-ui/react";
import NextLink from "next/link";
import type { ReactNode } from "react";

import type { FileRest, TakenFile } from "@/contracts/arrivals";
import type { BookFacts } from "@/contracts/shell";
import { formatDay } from "@/core/calendar";

import { PageHeading, Title } from "../kit/headings";
import { LedgerList } from "../kit/lists/LedgerList";
import { RestsOnFile, TakeBackFile } from "./TakeBackFile";

type Row = { line: number; cells: readonly string[] };
type Props = BookFacts & {
  file: TakenFile & { sha256: string; size: number };
  headers: readonly string[];
  rows: Row[];
  count: number;
  page: number;
  pageRows: number;
  line: number | null;
  documents: { words: string; href: string }[];
  rests: FileRest[];
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
  rests,
  book,
  today,
}: Props): ReactNode {
  const width = `${Math.floor(94 / Math.max(1, headers.length))}%`;
  return (
    <>
      <PageHeading>
        <Title>
          {file.rowsNew} <small>new of {count} lines</small>
        </Title>
        <span>
          <b data-strong>{file.name}</b>{" "}
          <span data-tone="soft">
            taken in {formatDay(file.onDay, today)} by {file.actor}; {file.rowsKnown} known,{" "}
            {file.rowsChanged} changed, {file.rowsRefused} refused
          </span>
        </span>
        <NextLink href={`/b/${book}/arrivals?again=${file.id}`}>read it again</NextLink>
        <TakeBackFile file={file} rests={rests} />
      </PageHeading>
      <RestsOnFile rests={rests} today={today} />
      <chakra.p data-tone="soft" margin="0 0 6px" fontSize="12.5px" overflowWrap="anywhere">
        Kept unchanged, {file.size.toLocaleString("en")} bytes, SHA-256 {file.sha256}
      </chakra.p>
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
      <chakra.p data-tone="soft" paddingLeft="16px">
        This line led to no document: it was known already, refused, or not of this job.
      </chakra.p>
    );
  return (
    <chakra.ul paddingLeft="16px" listStyle="none" margin="4px">
      {documents.map((document) => (
        <li key={document.href + document.words}>
          became <NextLink href={`/b/${book}/${document.href}`}>{document.words}</NextLink>
        </li>
      ))}
    </chakra.ul>
  );
}
