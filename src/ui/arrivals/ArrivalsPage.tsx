"use client";

import { Box } from "@chakra-ui/react";
import { type ReactNode, useRef, useState } from "react";

import type { ArrivalsFacts, TakenFile } from "@/contracts/arrivals";
import { formatDay } from "@/core/calendar";

import { HeadingEnd, PageHeading, Title } from "../kit/headings";
import { ListFiles } from "../kit/lists/ListFiles";
import { LedgerList, type ListColumn } from "../kit/lists/LedgerList";
import { ArrivalsTabs } from "./ArrivalsTabs";
import { DryRun } from "./DryRun";
import { ArrivedFiles, FileDrop } from "./FileDrop";
import { useFilesIn } from "./useFilesIn";

const KIND_WORDS = {
  customers: "customers",
  invoices: "invoices",
  processor: "processor activity",
  bank: "bank statement",
  remittance: "remittance advice",
  returns: "ACH returns",
} as const;
/** Arrivals: files in, looked at in a dry run first; below, all that was taken in before. */
export function ArrivalsPage(facts: ArrivalsFacts): ReactNode {
  const { book, arrived, files, again } = facts;
  const { waiting, reading, takeFiles, takeArrived, next } = useFilesIn(facts);
  const [over, setOver] = useState(false);
  const chooser = useRef<HTMLInputElement>(null);
  if (waiting)
    return (
      <>
        {waiting.others.length > 0 ? (
          <p data-tone="soft">
            After this one: {waiting.others.map(({ name }) => name).join(", ")}.
          </p>
        ) : null}
        <DryRun
          key={waiting.file.sha256}
          facts={facts}
          first={waiting.file}
          again={again?.sha256 === waiting.came ? again : null}
          close={() => void next()}
        />
      </>
    );
  return (
    <>
      <ArrivalsHeading {...facts} />
      <Box
        display="grid"
        gridTemplateColumns={arrived.length > 0 ? "1fr 1fr" : "1fr"}
        gap="20px"
        paddingBottom="12px"
      >
        {arrived.length > 0 ? (
          <ArrivedFiles
            arrived={arrived}
            reading={reading}
            takeArrived={(name) => void takeArrived(name)}
          />
        ) : null}
        <FileDrop
          chooser={chooser}
          over={over}
          reading={reading}
          setOver={setOver}
          takeFiles={(files) => void takeFiles(files)}
        />
      </Box>
      <LedgerList<TakenFile>
        label="Files taken in"
        rows={files}
        idOf={(file) => file.id}
        columns={columnsOf(facts)}
        href={(file) => `/b/${book}/files/${file.id}`}
        count={facts.count}
        page={facts.page}
        pageRows={facts.pageRows}
        empty={
          <>
            <p>No file was taken in yet.</p>
            <p>Begin with the customers, then their open invoices.</p>
          </>
        }
      />
    </>
  );
}
function ArrivalsHeading({ arrived, book, last, today, tray }: ArrivalsFacts): ReactNode {
  return (
    <PageHeading>
      <Title>
        {arrived.length === 0 ? (
          <small>Nothing waits to be taken in</small>
        ) : (
          <>
            {arrived.length}{" "}
            <small>{arrived.length === 1 ? "file waits" : "files wait"} to be taken in</small>
          </>
        )}
      </Title>
      <ArrivalsTabs at="files">
        {tray > 0 ? (
          <span data-tone="waits">
            {tray} {tray === 1 ? "line waits" : "lines wait"} in the tray
          </span>
        ) : null}
        <span data-tone="soft">
          {(["processor", "bank"] as const)
            .map(
              (kind) =>
                `${KIND_WORDS[kind]} ${last[kind] ? `last taken in ${formatDay(last[kind] as never, today)}` : "never taken in"}`,
            )
            .join("; ")}
        </span>
      </ArrivalsTabs>
      <HeadingEnd>
        <ListFiles book={book} list="files" />
      </HeadingEnd>
    </PageHeading>
  );
}
function columnsOf({ today, count }: ArrivalsFacts): ListColumn<TakenFile>[] {
  const number = (of: number): ReactNode => (of === 0 ? "–" : of);
  return [
    {
      id: "name",
      narrow: "who",
      header: "File",
      width: "30%",
      cell: (file) => (
        <span title={file.name} data-tone={file.undoneBy === null ? undefined : "soft"}>
          {file.undoneBy === null ? file.name : `${file.name}, taken back`}
        </span>
      ),
      foot: `${count} files`,
    },
    {
      id: "kind",
      narrow: "state",
      header: "What it is",
      width: "18%",
      cell: (file) => KIND_WORDS[file.kind],
    },
    {
      id: "on",
      narrow: "more",
      header: "Taken in",
      width: "14%",
      cell: (file) => formatDay(file.onDay, today),
    },
    { id: "by", header: "By", width: "14%", cell: (file) => file.actor },
    {
      id: "new",
      narrow: "sum",
      header: "New",
      width: "6%",
      number: true,
      cell: (file) => number(file.rowsNew),
    },
    {
      id: "known",
      header: "Known",
      width: "6%",
      number: true,
      cell: (file) => number(file.rowsKnown),
    },
    {
      id: "changed",
      header: "Changed",
      width: "6%",
      number: true,
      cell: (file) => number(file.rowsChanged),
    },
    {
      id: "refused",
      header: "Refused",
      width: "6%",
      number: true,
      cell: (file) => (
        <span data-tone={file.rowsRefused > 0 ? "waits" : undefined}>
          {number(file.rowsRefused)}
        </span>
      ),
    },
  ];
}
