"use client";

import NextLink from "next/link";
import type { ReactNode } from "react";

import type { AgreedListed, PayingFacts, TakenListed } from "@/contracts/paying";
import type { BookFacts } from "@/contracts/shell";
import { formatDay } from "@/core/calendar";
import { sumOf } from "@/core/money";
import { DECLINES, isDeclineCode } from "@/core/paying";

import { Amount } from "../kit/Amount";
import { Tick } from "../kit/fields";
import { PageHeading, Subheading, Title } from "../kit/headings";
import { Section } from "../kit/layout";
import type { ListColumn } from "../kit/lists/columns";
import { LedgerList } from "../kit/lists/LedgerList";
import { Cell, DetailTable, NoneRow } from "../kit/tables";
import { CardsRunningOut } from "./CardsRunningOut";
import { RunActs } from "./RunActs";
import { SumsToTell } from "./SumsToTell";
import { outOf, useRun } from "./useRun";

type PayingPageProps = BookFacts & PayingFacts & { canTake: boolean; practises: boolean };

/** The run of agreed payments: what is due of whom, looked through and taken; and what became of it. */
export function PayingPage({
  due,
  taken,
  cards,
  notTaken,
  untold,
  filesWaiting,
  canTake,
  practises,
  ...book
}: PayingPageProps): ReactNode {
  const run = useRun(due);
  const own = run.chosen.filter(({ currency }) => currency === book.currency);
  const others = run.chosen.length - own.length;
  return (
    <>
      <PageHeading>
        <Title>
          <Amount of={sumOf(own, ({ amount }) => amount)} currency={book.currency} />{" "}
          <small>
            to be taken today, in {run.chosen.length}{" "}
            {run.chosen.length === 1 ? "payment" : "payments"}
            {others > 0 ? `, ${others} of them in other currencies and not in the sum` : ""}
          </small>
        </Title>
        <NextLink href={`/b/${book.book}/schedules`}>schedules</NextLink>
        {practises ? (
          <NextLink href={`/b/${book.book}/practice`}>the practice clock</NextLink>
        ) : null}
      </PageHeading>
      {due.length > 0 ? <RunActs run={run} canTake={canTake} filesWaiting={filesWaiting} /> : null}
      <LedgerList<AgreedListed>
        label="Agreed payments"
        rows={due}
        idOf={({ key }) => key}
        href={({ customerId }) => `/b/${book.book}/customers/${customerId}`}
        columns={columnsOf({ run, ...book })}
        empty={
          <>
            <p>Nothing is due of those who agreed that it is taken.</p>
            <p>A customer agrees on its pay page, and can end it there any day.</p>
          </>
        }
      />
      {notTaken.map(({ customerId, customer, way, numbers }) => (
        <p key={customerId} data-tone="waits">
          Not taken:{" "}
          <NextLink href={`/b/${book.book}/customers/${customerId}`}>{customer}</NextLink> agreed to{" "}
          {way === "card" ? "a card" : "a bank account"}, and {numbers.join(", ")} may not be paid
          so.
        </p>
      ))}
      <SumsToTell untold={untold} {...book} />
      <CardsRunningOut cards={cards} {...book} />
      <TakenTable taken={taken} {...book} />
    </>
  );
}

type ColumnsProps = BookFacts & { run: ReturnType<typeof useRun> };

const columnsOf = ({ run, today }: ColumnsProps): ListColumn<AgreedListed>[] => [
  {
    id: "chosen",
    header: "Chosen",
    box: true,
    width: "4%",
    cell: (payment) => (
      <Tick
        aria-label={`Take from ${payment.customer}`}
        checked={outOf(payment) === null && !run.out.has(payment.customerId)}
        disabled={outOf(payment) !== null}
        onClick={(event) => event.stopPropagation()}
        onChange={() => run.toggle(payment.customerId)}
      />
    ),
  },
  {
    id: "customer",
    narrow: "who",
    header: "Customer",
    width: "26%",
    cell: ({ customer }) => <span title={customer}>{customer}</span>,
  },
  {
    id: "for",
    header: "For",
    width: "19%",
    cell: ({ numbers, ofPlan }) => (
      <span title={numbers.join(", ")}>
        {numbers.join(", ")}
        {ofPlan ? <small> a part of a plan</small> : null}
      </span>
    ),
  },
  { id: "from", header: "From", width: "16%", cell: ({ method }) => method },
  {
    id: "counts",
    narrow: "state",
    header: "Counts as paid",
    width: "23%",
    cell: (payment) => <Counts payment={payment} today={today} />,
  },
  {
    id: "sum",
    narrow: "sum",
    header: "Sum",
    width: "12%",
    number: true,
    cell: ({ amount, currency }) => <Amount of={amount} currency={currency} />,
  },
];

/** When it counts as paid, or why it is not taken today. */
function Counts({
  payment,
  today,
}: {
  payment: AgreedListed;
  today: BookFacts["today"];
}): ReactNode {
  const { countsOn, tries, way } = payment;
  const why = outOf(payment, today);
  return why === null ? (
    <span data-tone={tries > 1 ? "waits" : "soft"}>
      {way === "card" ? "at once" : formatDay(countsOn, today)}
      {tries > 1 ? `, try ${tries}` : ""}
    </span>
  ) : (
    <span data-tone="waits" title={why}>
      out: {why}
    </span>
  );
}

/** What was taken lately, and what became of it. */
function TakenTable({ taken, book, today }: BookFacts & Pick<PayingFacts, "taken">): ReactNode {
  return (
    <Section paddingTop="20px">
      <Subheading fontWeight="600">Taken in the last two weeks</Subheading>
      <DetailTable aria-label="Taken in the last two weeks">
        <tbody>
          <NoneRow of={taken}>Nothing was.</NoneRow>
          {taken.map((payment) => (
            <tr key={payment.id}>
              <Cell data-tone="soft" width="100px">
                {formatDay(payment.on, today)}
              </Cell>
              <Cell>
                <NextLink href={`/b/${book}/customers/${payment.customerId}`}>
                  {payment.customer}
                </NextLink>
              </Cell>
              <Cell data-tone="soft">{payment.numbers.join(", ")}</Cell>
              <Cell>
                <Became payment={payment} today={today} />
              </Cell>
              <Cell data-numeric data-sum width="110px">
                <Amount of={payment.amount} currency={payment.currency} />
              </Cell>
            </tr>
          ))}
        </tbody>
      </DetailTable>
    </Section>
  );
}

function Became({
  payment,
  today,
}: {
  payment: TakenListed;
  today: BookFacts["today"];
}): ReactNode {
  const { state, code, settlesOn, triedAgainOn, method } = payment;
  if (state === "paid") return <span data-tone="good">✓ paid from {method}</span>;
  if (state === "on_way")
    return (
      <span data-tone="waits">
        ◔ on its way{settlesOn ? `, settles ${formatDay(settlesOn, today)}` : ""}
      </span>
    );
  if (state === "asked") return <span data-tone="waits">◔ asked, no answer yet</span>;
  const why =
    code !== null && isDeclineCode(code) ? DECLINES[code].words : `came back (${code ?? "?"})`;
  return (
    <span data-tone="off">
      ✕ {why} {triedAgainOn ? `The next try is on ${formatDay(triedAgainOn, today)}.` : ""}
    </span>
  );
}
