"use client";

import { Box } from "@chakra-ui/react";
import NextLink from "next/link";
import type { ReactNode } from "react";

import type { WrittenOffRow } from "@/contracts/overdue";
import { type Day, formatDay } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { ListFiles } from "../kit/lists/ListFiles";
import { HeadingEnd, PageHeading, Subheading, Title } from "../kit/headings";
import { Section } from "../kit/layout";
import { LedgerList } from "../kit/lists/LedgerList";
import type { ListColumn } from "../kit/lists/columns";
import { OverdueTabs } from "./OverdueTabs";
import { Decide, type Waiting } from "./WriteOffQuestion";

type Props = {
  book: string;
  today: Day;
  waiting: (Waiting & { customerId: number; customer: string })[];
  rows: WrittenOffRow[];
};

/**
 * Debts written off: what waits for a second person first, then what was written off and what was
 * paid for it after all.
 */
export function WriteOffsPage({ book, today, waiting, rows }: Props): ReactNode {
  const currencies = [...new Set([...rows, ...waiting].map(({ currency }) => currency))];
  const total = (of: readonly { currency: Currency; sum: Minor }[]): ReactNode =>
    currencies.map((currencyHere, at) => (
      <span key={currencyHere}>
        {at > 0 ? " + " : ""}
        <Amount
          of={of
            .filter(({ currency }) => currency === currencyHere)
            .reduce((so, { sum }) => so + sum, 0)}
          currency={currencyHere}
        />
      </span>
    ));
  const [given, back] = [rows.filter(({ paid }) => !paid), rows.filter(({ paid }) => paid)];
  return (
    <>
      <PageHeading>
        <Title>
          {rows.length === 0 ? "Nothing" : total(given)} <small>written off, {given.length}</small>
        </Title>
        {back.length > 0 ? (
          <span>
            <b data-strong data-sum>
              {total(back)}
            </b>{" "}
            of it paid after all
          </span>
        ) : null}
        <HeadingEnd>
          <ListFiles book={book} list="write-offs" />
        </HeadingEnd>
      </PageHeading>
      <OverdueTabs at="given-up" />
      {waiting.length > 0 ? (
        <Section maxWidth="760px">
          <Subheading>
            Waits for a second person <span data-tone="soft">{waiting.length}</span>
          </Subheading>
          {waiting.map((entry) => (
            <Box borderBottom="1px solid {colors.line}" padding="6px 0" key={entry.id}>
              <NextLink href={`/b/${book}/customers/${entry.customerId}`} prefetch={false}>
                {entry.customer}
              </NextLink>
              <Decide asked={entry} />
            </Box>
          ))}
        </Section>
      ) : null}
      <LedgerList<WrittenOffRow>
        label="Debts written off"
        rows={rows}
        idOf={(row) => row.key}
        columns={writeOffColumns({ back, book, given, today, total })}
        empty={
          <>
            <p>Nothing was written off yet.</p>
            <p>
              An invoice that will not be paid is written off on its own page; over the book’s limit
              it takes two people.
            </p>
          </>
        }
      />
    </>
  );
}

type WriteOffColumnsProps = {
  back: WrittenOffRow[];
  book: Props["book"];
  given: WrittenOffRow[];
  today: Props["today"];
  total: (of: readonly { currency: Currency; sum: Minor }[]) => ReactNode;
};

function writeOffColumns({
  back,
  book,
  given,
  today,
  total,
}: WriteOffColumnsProps): ListColumn<WrittenOffRow>[] {
  return [
    {
      id: "on",
      narrow: "more",
      header: "Day",
      width: "12%",
      cell: (row) => formatDay(row.on, today),
    },
    {
      id: "customer",
      narrow: "who",
      header: "Customer",
      width: "26%",
      cell: (row) => (
        <NextLink href={`/b/${book}/customers/${row.customerId}`} prefetch={false}>
          {row.customer}
        </NextLink>
      ),
    },
    {
      id: "what",
      narrow: "state",
      header: "What",
      width: "14%",
      cell: (row) => (
        <NextLink href={`/b/${book}/${row.href}`} prefetch={false}>
          {row.words}
        </NextLink>
      ),
    },
    {
      id: "why",
      header: "Why",
      width: "14%",
      cell: (row) => <span data-tone="soft">{row.why}</span>,
    },
    {
      id: "by",
      header: "By",
      width: "12%",
      cell: (row) => <span data-tone="soft">{row.by}</span>,
    },
    {
      id: "sum",
      narrow: "sum",
      header: "Written off",
      width: "11%",
      number: true,
      cell: (row) => (row.paid ? "" : <Amount of={row.sum} currency={row.currency} />),
      foot: <Total>{total(given)}</Total>,
    },
    {
      id: "back",
      header: "Paid after all",
      width: "11%",
      number: true,
      cell: (row) => (row.paid ? <Amount of={row.sum} currency={row.currency} /> : ""),
      foot: <Total>{back.length > 0 ? total(back) : "–"}</Total>,
    },
  ];
}
