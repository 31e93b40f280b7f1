"use client";

import NextLink from "next/link";
import type { ReactNode } from "react";

import type { ExpectedRow } from "@/contracts/payouts";
import { formatDay } from "@/core/calendar";
import { formatAmount, type Minor, sumOf } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { ListFiles } from "../kit/lists/ListFiles";
import { HeadingEnd, PageHeading, Subheading, Title } from "../kit/headings";
import { Halves, Section } from "../kit/layout";
import { LedgerList } from "../kit/lists/LedgerList";
import type { ListColumn } from "../kit/lists/columns";
import { type Props, ReturnableDebits, ReturnRates, StartedDebits } from "./AchDebits";
import { PayoutTabs } from "./PayoutTabs";

/**
 * What is on its way to the bank and when it lands, late ones first; which debits can still come
 * back, and how many did.
 */
export function ExpectedPage({
  book,
  currency,
  today,
  rows,
  started,
  returnable,
  sixty,
  rates,
}: Props): ReactNode {
  const late = rows.filter((row) => row.late);
  const all = sumOf(rows, ({ sum }) => sum);
  return (
    <>
      <PageHeading>
        <Title>
          {formatAmount(all, currency)}{" "}
          <small>on its way{late.length === 0 ? ", nothing late" : null}</small>
        </Title>
        {late.length > 0 ? (
          <span data-tone="off">
            {formatAmount(
              sumOf(late, ({ sum }) => sum),
              currency,
            )}{" "}
            late
          </span>
        ) : null}
        <PayoutTabs at="ahead" />
        <HeadingEnd>
          <ListFiles book={book} list="expected" />
        </HeadingEnd>
      </PageHeading>
      <Halves ratio="3:2">
        <Section>
          <Subheading>To the bank, by the day it should land</Subheading>
          <LedgerList<ExpectedRow>
            label="On its way to the bank"
            rows={rows}
            idOf={(row) => row.key}
            href={(row) =>
              row.href === null ? `/b/${book}/payouts?show=clearing` : `/b/${book}/${row.href}`
            }
            columns={expectedColumns({ all, currency, rows, today })}
            empty={<p>Nothing is on its way.</p>}
          />
        </Section>
        <Section>
          <Subheading>
            ACH debits on their way to us <span data-tone="soft">not money yet</span>
          </Subheading>
          <StartedDebits book={book} started={started} today={today} />
          <Subheading>ACH debits that can still come back</Subheading>
          <ReturnableDebits
            currency={currency}
            returnable={returnable}
            sixty={sixty}
            today={today}
          />
          <Subheading>Returns in 60 days, against the limits</Subheading>
          <ReturnRates rates={rates} />
          <p data-tone="soft">
            What came back stands under <NextLink href="?show=back">Returns and disputes</NextLink>.
          </p>
        </Section>
      </Halves>
    </>
  );
}
type ExpectedColumnsProps = {
  all: Minor;
  currency: Props["currency"];
  rows: Props["rows"];
  today: Props["today"];
};
function expectedColumns({
  all,
  currency,
  rows,
  today,
}: ExpectedColumnsProps): ListColumn<ExpectedRow>[] {
  return [
    {
      id: "on",
      narrow: "more",
      header: "Lands",
      width: "24%",
      cell: (row) => (
        <span data-tone={row.late ? "off" : undefined}>
          {row.late ? "late, due " : ""}
          {formatDay(row.on, today)}
        </span>
      ),
      foot: `${rows.length} to come`,
    },
    {
      id: "what",
      narrow: "who",
      header: "What",
      width: "32%",
      cell: (row) => <span title={row.what}>{row.what}</span>,
    },
    { id: "account", narrow: "state", header: "From", width: "16%", cell: (row) => row.account },
    {
      id: "taken",
      header: "Taken",
      width: "15%",
      cell: (row) => (row.from === null ? "–" : formatDay(row.from, today)),
    },
    {
      id: "sum",
      narrow: "sum",
      header: "Sum",
      width: "13%",
      number: true,
      cell: (row) => (
        <Amount of={row.sum} currency={currency} tone={row.late ? "off" : undefined} />
      ),
      foot: <Total>{formatAmount(all, currency)}</Total>,
    },
  ];
}
