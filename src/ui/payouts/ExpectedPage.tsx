"use client";

import NextLink from "next/link";
import type { ReactNode } from "react";

import type { ExpectedPayments, ExpectedRow } from "@/contracts/payouts";
import type { BookFacts } from "@/contracts/shell";
import { formatDay } from "@/core/calendar";
import { formatAmount, type Minor, sumOf } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { PageHeading, Subheading, Title } from "../kit/headings";
import { Halves, Section } from "../kit/layout";
import { LedgerList } from "../kit/lists/LedgerList";
import type { ListColumn } from "../kit/lists/columns";
import { DetailTable } from "../kit/tables";
import { PayoutTabs } from "./PayoutTabs";
import { percentWords } from "./fees";
type Rate = ExpectedPayments["rates"][number];
type Props = BookFacts & ExpectedPayments;

const RATE_WORDS: Record<Rate["name"], string> = {
  unauthorized: "not authorized",
  administrative: "wrong accounts",
  all: "all returns",
};

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
      header: "What",
      width: "32%",
      cell: (row) => <span title={row.what}>{row.what}</span>,
    },
    { id: "account", header: "From", width: "16%", cell: (row) => row.account },
    {
      id: "taken",
      header: "Taken",
      width: "15%",
      cell: (row) => (row.from === null ? "–" : formatDay(row.from, today)),
    },
    {
      id: "sum",
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

type StartedDebitsProps = {
  book: Props["book"];
  started: Props["started"];
  today: Props["today"];
};

function StartedDebits({ book, started, today }: StartedDebitsProps): ReactNode {
  return (
    <DetailTable aria-label="Debits on their way">
      <tbody>
        {started.map((entry) => (
          <tr key={entry.id}>
            <td>
              {entry.customerId === null ? (
                entry.from
              ) : (
                <NextLink href={`/b/${book}/customers/${entry.customerId}`} prefetch={false}>
                  {entry.from}
                </NextLink>
              )}
            </td>
            <td data-tone="soft">since {formatDay(entry.startedOn, today)}</td>
            <td data-numeric>
              <Amount of={entry.sum} currency={entry.currency} />
            </td>
          </tr>
        ))}
        {started.length === 0 ? (
          <tr>
            <td data-tone="soft">None.</td>
          </tr>
        ) : null}
      </tbody>
    </DetailTable>
  );
}

type ReturnableDebitsProps = {
  currency: Props["currency"];
  returnable: Props["returnable"];
  sixty: Props["sixty"];
  today: Props["today"];
};

function ReturnableDebits({
  currency,
  returnable,
  sixty,
  today,
}: ReturnableDebitsProps): ReactNode {
  return (
    <DetailTable aria-label="Debits that can still come back">
      <thead>
        <tr>
          <th scope="col">Settled</th>
          <th scope="col">Most returns until</th>
          <th data-numeric scope="col">
            Debits
          </th>
          <th data-numeric scope="col">
            Sum
          </th>
        </tr>
      </thead>
      <tbody>
        {returnable.map((row) => (
          <tr key={row.settledOn}>
            <td>{formatDay(row.settledOn, today)}</td>
            <td>{formatDay(row.until, today)}</td>
            <td data-numeric>{row.count}</td>
            <td data-numeric data-sum>
              {formatAmount(row.sum, currency)}
            </td>
          </tr>
        ))}
        {returnable.length === 0 ? (
          <tr>
            <td data-tone="soft" colSpan={4}>
              None within two banking days.
            </td>
          </tr>
        ) : null}
        <tr>
          <td data-tone="soft" colSpan={2}>
            if not authorized, 60 days
          </td>
          <td data-numeric>{sixty.count}</td>
          <td data-numeric data-sum>
            {formatAmount(sixty.sum, currency)}
          </td>
        </tr>
      </tbody>
    </DetailTable>
  );
}

type ReturnRatesProps = {
  rates: Props["rates"];
};

function ReturnRates({ rates }: ReturnRatesProps): ReactNode {
  return (
    <DetailTable aria-label="Return rates">
      <tbody>
        {rates.map((rate) => (
          <tr key={rate.name}>
            <td>{RATE_WORDS[rate.name]}</td>
            <td data-tone="soft">
              {rate.returns} of {rate.debits}
            </td>
            <td data-numeric data-tone={rate.perMillion > rate.limitPerMillion ? "off" : undefined}>
              {percentWords(rate.perMillion)}
            </td>
            <td data-numeric data-tone="soft">
              at most {percentWords(rate.limitPerMillion)}
            </td>
          </tr>
        ))}
      </tbody>
    </DetailTable>
  );
}
