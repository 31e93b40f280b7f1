"use client";

import { Box } from "@chakra-ui/react";
import NextLink from "next/link";
import type { ReactNode } from "react";

import type { OverdueLine, OverdueState } from "@/contracts/overdue";
import type { Day } from "@/core/calendar";
import type { Aging } from "@/core/metrics";
import { type Currency, formatAmount, type Minor } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { FilterLine, HeadingEnd, PageHeading, Tab, Title } from "../kit/headings";
import { ListFiles } from "../kit/lists/ListFiles";
import { LedgerList, type ListColumn } from "../kit/lists/LedgerList";
import { useOpenRow } from "../kit/lists/useOpenRow";
import { AgeBar } from "./AgeBar";
import { FollowUp } from "./FollowUp";
import { OverdueTabs } from "./OverdueTabs";

type Props = {
  book: string;
  currency: Currency;
  today: Day;
  rows: OverdueLine[];
  state: OverdueState | null;
  counts: Record<OverdueState, number>;
  total: Aging;
  overdue: Minor;
  page: number;
  pageRows: number;
  count: number;
  /** The sum of all that the filter shows, on whatever page. */
  shownSum: Minor;
};

const STATES: readonly (readonly [OverdueState, string])[] = [
  ["ready", "Ready"],
  ["waits", "Waits"],
  ["later", "Later"],
  ["left_out", "Left out"],
];
const PART: Record<OverdueState, string> = {
  ready: "Ready",
  waits: "Waits",
  later: "Later",
  left_out: "Left out",
};

/**
 * Overdue: every customer with something past its date, on exactly one list, with the next step or
 * what it waits for.
 */
export function OverduePage(props: Props): ReactNode {
  const { currency, rows, counts, state } = props;
  const [open, setOpen] = useOpenRow();
  const all = counts.ready + counts.waits + counts.later + counts.left_out;
  return (
    <>
      <PageHeading flexWrap={{ base: "wrap", lg: "nowrap" }}>
        <Title>
          <small>Overdue</small>{" "}
          <NextLink href={`/b/${props.book}/reports`} prefetch={false}>
            {formatAmount(props.overdue, currency)}
          </NextLink>
        </Title>
        <Box flex={{ base: "1 0 100%", lg: "1" }}>
          <AgeBar aging={props.total} currency={currency} words href={`/b/${props.book}/reports`} />
        </Box>
        <HeadingEnd>
          <a
            data-tone="soft"
            href={`/api/v1/b/${props.book}/overdue/calendar`}
            title="Calls, tasks and promises as a calendar file"
          >
            Calendar
          </a>
          <ListFiles book={props.book} list="overdue" />
          <NextLink href={`/b/${props.book}/reports?report=aging`}>Aging</NextLink>
        </HeadingEnd>
      </PageHeading>
      <OverdueTabs at="list">
        <FilterLine marginLeft="auto">
          <Tab href="?" here={state === null}>
            All <b>{all}</b>
          </Tab>
          {STATES.map(([name, words]) => (
            <Tab key={name} href={`?state=${name}`} here={state === name}>
              {words} <b>{counts[name]}</b>
            </Tab>
          ))}
        </FilterLine>
      </OverdueTabs>
      <LedgerList<OverdueLine>
        label="Overdue customers"
        rows={rows}
        count={props.count}
        page={props.page}
        pageRows={props.pageRows}
        idOf={(row) => row.id}
        openId={open}
        onOpen={setOpen}
        wantsLook={(row) => row.state === "ready"}
        columns={columnsOf(props)}
        partBefore={(row, before) =>
          row.state === before?.state || state !== null
            ? null
            : `${PART[row.state]} ${counts[row.state]}`
        }
        workings={(row) => (
          <FollowUp
            key={row.id}
            row={row}
            currency={currency}
            today={props.today}
            done={() => {
              const at = rows.findIndex((overdueLine) => overdueLine.id === row.id);
              setOpen(rows[at + 1]?.id ?? null);
            }}
          />
        )}
        empty={
          state === null ? (
            <>
              <p>Nothing is overdue.</p>
              <p>
                What falls due shows in{" "}
                <NextLink href={`/b/${props.book}/invoices?state=open`}>Invoices</NextLink>.
              </p>
            </>
          ) : (
            <p>
              Nobody here. <NextLink href="?">Show all</NextLink>.
            </p>
          )
        }
      />
    </>
  );
}

function columnsOf({ currency, count, shownSum }: Props): ListColumn<OverdueLine>[] {
  return [
    {
      id: "customer",
      narrow: "who",
      header: "Customer",
      width: "20%",
      cell: (row) => (
        <span title={row.name}>
          {row.name}
          {row.sites > 0 ? `, ${row.sites} ${row.sites === 1 ? "site" : "sites"}` : ""}
        </span>
      ),
      foot: `${count} ${count === 1 ? "customer" : "customers"}`,
    },
    {
      id: "old",
      header: "How old",
      width: "12%",
      cell: (row) => <AgeBar aging={row.aging} currency={currency} />,
    },
    {
      id: "overdue",
      narrow: "sum",
      header: "Overdue",
      width: "9%",
      number: true,
      cell: (row) => <Amount of={row.overdue} currency={currency} />,
      foot: <Total>{formatAmount(shownSum, currency)}</Total>,
    },
    {
      id: "oldest",
      header: "Oldest",
      width: "8%",
      number: true,
      cell: (row) => `${row.oldestDays} ${row.oldestDays === 1 ? "day" : "days"}`,
    },
    {
      id: "word",
      header: "Last word",
      width: "21%",
      cell: (row) => (
        <span data-tone={row.broken ? "off" : undefined} title={row.lastWord}>
          {row.lastWord}
        </span>
      ),
    },
    {
      id: "next",
      narrow: "more",
      header: "Next",
      width: "13%",
      cell: (row) =>
        row.state === "left_out" ? <span data-tone="soft">left out: {row.leftOut}</span> : row.next,
    },
    {
      id: "waits",
      narrow: "state",
      header: "Waits for",
      term: "waits",
      width: "17%",
      cell: (row) =>
        row.waits.length === 0 ? (
          "–"
        ) : (
          <span data-tone="waits" title={row.waits.join(", ")}>
            {row.waits.join(", ")}
          </span>
        ),
    },
  ];
}
