"use client";

import NextLink from "next/link";
import { useRouter } from "next/navigation";
import type { ReactNode } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import type { ScheduleListed, SchedulesFacts } from "@/contracts/schedules";
import type { BookFacts } from "@/contracts/shell";
import { formatDay } from "@/core/calendar";
import { sumOf } from "@/core/money";

import { Amount } from "../kit/Amount";
import { Act } from "../kit/buttons";
import { HeadingEnd, PageHeading, Subheading, Title } from "../kit/headings";
import { inDialog } from "../kit/keys";
import type { ListColumn } from "../kit/lists/columns";
import { LedgerList } from "../kit/lists/LedgerList";
import { Section } from "../kit/layout";
import { Cell, DetailTable } from "../kit/tables";
import { useActing } from "../shell/Notices";
import { MAKES_WORDS, STATE_WORDS } from "./words";

/** What will be written when, with sums by month; what failed says why. */
export function SchedulesPage({
  rows,
  months,
  due,
  ...book
}: BookFacts & SchedulesFacts): ReactNode {
  const router = useRouter();
  const write = (): void => router.push(`/b/${book.book}/schedules/new`);
  const others = rows.filter(
    ({ state, currency }) => state === "running" && currency !== book.currency,
  ).length;
  useHotkeys("n", write, { ignoreEventWhen: inDialog, preventDefault: true }, [book.book]);
  return (
    <>
      <PageHeading>
        <Title>
          <Amount of={sumOf(months, ({ sum }) => sum)} currency={book.currency} />{" "}
          <small>
            to be written in twelve months
            {others === 0 ? "" : `, ${others} in other currencies not in the sum`}
          </small>
        </Title>
        <Due due={due} />
        <NextLink href={`/b/${book.book}/paying`}>agreed payments</NextLink>
        <HeadingEnd>
          <Act main hint="N" onClick={write}>
            Begin a schedule
          </Act>
        </HeadingEnd>
      </PageHeading>
      <LedgerList<ScheduleListed>
        label="Schedules"
        rows={rows}
        idOf={({ id }) => id}
        href={({ id }) => `/b/${book.book}/schedules/${id}`}
        columns={columnsOf(book)}
        empty={
          <>
            <p>No schedules.</p>
            <p>A rent, a plan or a retainer that comes again writes its invoices by itself.</p>
          </>
        }
      />
      {rows.length > 0 ? <Months months={months} {...book} /> : null}
    </>
  );
}

/** What is due to be written now; in a book with its own clock a person starts it. */
function Due({ due }: { due: number }): ReactNode {
  const { act, busy } = useActing();
  const run = (): void =>
    void act<{ written: number; failed: number; more: boolean }>(
      "runSchedules",
      { again: true },
      ({ written, failed, more }) => ({
        words: `${written} written${failed > 0 ? `, ${failed} could not be: see why in the list` : ""}${more ? "; there is more" : ""}.`,
        final: "What is written lies in the drafts, or is approved as its schedule says.",
      }),
    );
  useHotkeys("w", () => (due > 0 ? run() : undefined), { ignoreEventWhen: inDialog }, [due]);
  if (due === 0) return <span data-tone="soft">nothing is due to be written</span>;
  return (
    <Act hint="W" disabled={busy} onClick={run}>
      Write the {due} due
    </Act>
  );
}

function Months({ months, currency }: BookFacts & Pick<SchedulesFacts, "months">): ReactNode {
  return (
    <Section width={{ base: "100%", lg: "420px" }} paddingTop="20px">
      <Subheading fontWeight="600">By month</Subheading>
      <DetailTable aria-label="What will be written by month">
        <tbody>
          {months.map(({ month, sum, count }) => (
            <tr key={month}>
              <Cell width="120px">{monthWords(month)}</Cell>
              <Cell data-numeric width="90px" data-tone="soft">
                {count === 0 ? "none" : `${count} ${count === 1 ? "invoice" : "invoices"}`}
              </Cell>
              <Cell data-numeric data-sum width="140px">
                <Amount of={sum} currency={currency} />
              </Cell>
            </tr>
          ))}
        </tbody>
      </DetailTable>
    </Section>
  );
}

const monthWords = (month: string): string =>
  new Intl.DateTimeFormat("en", { month: "short", year: "numeric", timeZone: "UTC" }).format(
    new Date(`${month}-01`),
  );

const columnsOf = ({ today }: BookFacts): ListColumn<ScheduleListed>[] => [
  {
    id: "customer",
    narrow: "who",
    header: "Customer",
    width: "22%",
    cell: ({ customer }) => <span title={customer}>{customer}</span>,
  },
  {
    id: "name",
    header: "For",
    width: "21%",
    cell: ({ name, failed }) => (
      <span title={failed ?? name} data-tone={failed === null ? undefined : "off"}>
        {failed === null ? name : `${name}: ${failed}`}
      </span>
    ),
  },
  { id: "words", header: "Comes", width: "23%", cell: ({ words }) => words },
  {
    id: "next",
    header: "Next",
    width: "10%",
    cell: ({ nextOn, state }) =>
      nextOn === null || state !== "running" ? "–" : formatDay(nextOn, today),
  },
  {
    id: "state",
    narrow: "state",
    header: "State",
    width: "13%",
    cell: (row) => <Standing {...row} />,
  },
  {
    id: "total",
    narrow: "sum",
    header: "Each",
    width: "11%",
    number: true,
    cell: ({ total, currency }) => <Amount of={total} currency={currency} />,
  },
];

function Standing({ state, makes, failed }: ScheduleListed): ReactNode {
  if (failed !== null) return <span data-tone="off">✕ not written</span>;
  if (state === "running") return <span data-tone="soft">{MAKES_WORDS[makes]}</span>;
  return <span data-tone="waits">{STATE_WORDS[state]}</span>;
}
