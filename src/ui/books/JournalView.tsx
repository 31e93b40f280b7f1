"use client";

import { Box, chakra } from "@chakra-ui/react";
import NextLink from "next/link";
import { type ReactNode, useEffect, useState } from "react";

import type { EntryHistory } from "@/contracts/history";
import type { BookFacts } from "@/contracts/shell";
import { type Day, formatDay } from "@/core/calendar";
import type { Minor } from "@/core/money";

import { EntryTable } from "../history/EntryTable";
import { Amount } from "../kit/Amount";
import { HiddenField, SmallChoice } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { ListFiles } from "../kit/lists/ListFiles";
import { Form, List, WorkingsGrid } from "../kit/layout";
import { LedgerList, type ListColumn } from "../kit/lists/LedgerList";
import { SearchBox } from "../kit/lists/SearchBox";
import { useOpenRow } from "../kit/lists/useOpenRow";
import { Reading } from "../kit/Reading";
import { useActing } from "../shell/Notices";
import { load } from "../shell/send";
import { BooksHeading } from "./BooksHeading";

export type JournalLine = {
  id: number;
  event: string;
  postedOn: Day;
  document: string;
  party: string | null;
  sum: Minor;
  reverses: number | null;
  reversedBy: number | null;
};

type Props = BookFacts & {
  rows: JournalLine[];
  count: number;
  text: string;
  event: string;
  month: string;
  events: readonly string[];
  page: number;
  pageRows: number;
};

/** The journal, newest first; an entry opens into its lines, its document, its file and who did it. */
export function JournalView(props: Props): ReactNode {
  const { book, rows } = props;
  const [open, setOpen] = useOpenRow();
  return (
    <>
      <BooksHeading
        view="journal"
        sum={
          <>
            {props.count.toLocaleString("en")}{" "}
            <small>
              {props.count === 1 ? "entry" : "entries"}
              {props.event ? `, ${props.event.replaceAll("_", " ")}` : ""}
              {props.month ? `, of ${props.month}` : ""}
            </small>
          </>
        }
        end={
          <>
            <Events {...props} />
            <SearchBox label="Document or customer" value={props.text} />
            <ListFiles book={book} list="entries" />
            <a
              data-tone="soft"
              href={`/api/v1/b/${book}/export/journal`}
              title="Every line of every entry"
            >
              Lines
            </a>
          </>
        }
      />
      <LedgerList<JournalLine>
        label="Journal"
        rows={rows}
        idOf={(row) => row.id}
        openId={open}
        onOpen={setOpen}
        count={props.count}
        page={props.page}
        pageRows={props.pageRows}
        workings={(row) => <EntryWorkings key={row.id} id={row.id} {...props} />}
        columns={journalColumns(props)}
        empty={
          props.text || props.event ? (
            <p>No entry is like that.</p>
          ) : (
            <>
              <p>Nothing is posted yet.</p>
              <p>
                Entries come with the files:{" "}
                <NextLink href={`/b/${book}/arrivals`}>Arrivals</NextLink>.
              </p>
            </>
          )
        }
      />
    </>
  );
}

function Events({ event, events, text }: Props): ReactNode {
  return (
    <Form action="">
      <HiddenField name="view" value="journal" />
      {text ? <HiddenField name="q" value={text} /> : null}
      <SmallChoice
        look="framed"
        name="event"
        aria-label="Event"
        defaultValue={event}
        onChange={(changed) => changed.currentTarget.form?.requestSubmit()}
      >
        <option value="">every event</option>
        {events.map((event) => (
          <option key={event} value={event}>
            {event.replaceAll("_", " ")}
          </option>
        ))}
      </SmallChoice>
    </Form>
  );
}

function EntryWorkings({ id, ...around }: BookFacts & { id: number }): ReactNode {
  const { complain } = useActing();
  const { book, currency, today } = around;
  const [story, setStory] = useState<EntryHistory | null>(null);
  useEffect(() => {
    let current = true;
    void load<EntryHistory>(`/api/v1/b/${book}/entries/${id}`).then((sent) => {
      if (!current) return;
      if (sent.ok) setStory(sent.value);
      else complain(sent.message);
    });
    return () => {
      current = false;
    };
  }, [book, complain, id]);
  if (!story) return <Reading />;
  const { act, origin, others } = story;
  return (
    <WorkingsGrid parts="two">
      <EntryTable entry={story.entry} book={book} currency={currency} today={today} />
      <Box>
        <Subheading>How it came about</Subheading>
        <List>
          {act ? (
            <li>
              {formatDay(act.on, today)}, {act.actor}: {act.text}
              {act.undone ? <span data-tone="waits"> (undone)</span> : null}
            </li>
          ) : null}
          {origin ? (
            <li>
              <NextLink
                href={`/b/${book}/files/${origin.fileId}${origin.line === null ? "" : `?line=${origin.line}`}`}
              >
                {origin.name}
              </NextLink>
              {origin.line === null ? "" : `, line ${origin.line}`}
            </li>
          ) : null}
          {others.map((other) => (
            <li key={other.id}>
              with it:{" "}
              <NextLink href={`/b/${book}/books?view=journal&open=${other.id}`}>
                {other.id}
              </NextLink>{" "}
              {other.event.replaceAll("_", " ")}, {other.document}
            </li>
          ))}
        </List>
        {origin && origin.cells.length > 0 ? (
          <chakra.p data-tone="soft" fontSize="13px">
            {origin.cells.filter((cell) => cell !== "").join(" · ")}
          </chakra.p>
        ) : null}
        {story.entry.documentHref ? (
          <p>
            <NextLink href={`/b/${book}/${story.entry.documentHref}`}>
              Its document, with undo
            </NextLink>
          </p>
        ) : null}
      </Box>
    </WorkingsGrid>
  );
}

function journalColumns(props: Props): ListColumn<JournalLine>[] {
  const { currency, today } = props;
  return [
    {
      id: "id",
      header: "Entry",
      width: "8%",
      cell: (row) => row.id,
      foot: `${props.count} entries`,
    },
    {
      id: "on",
      narrow: "more",
      header: "Posted",
      width: "12%",
      cell: (row) => formatDay(row.postedOn, today),
    },
    {
      id: "event",
      narrow: "state",
      header: "Event",
      width: "12%",
      cell: (row) => row.event.replaceAll("_", " "),
    },
    {
      id: "document",
      narrow: "who",
      header: "Document",
      width: "30%",
      cell: (row) => <span title={row.document}>{row.document}</span>,
    },
    { id: "party", header: "Customer", width: "22%", cell: (row) => row.party ?? "–" },
    {
      id: "note",
      header: "Undo",
      width: "6%",
      cell: (row) =>
        row.reversedBy !== null || row.reverses !== null ? (
          <span data-tone="waits">{row.reverses !== null ? "undoes" : "undone"}</span>
        ) : null,
    },
    {
      id: "sum",
      narrow: "sum",
      header: "Sum",
      width: "10%",
      number: true,
      cell: (row) => <Amount of={row.sum} currency={currency} />,
    },
  ];
}
