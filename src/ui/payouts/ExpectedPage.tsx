"use client";

import NextLink from "next/link";
import type { ReactNode } from "react";

import { type Day, formatDay } from "@/core/calendar";
import { type Currency, formatAmount, type Minor, sumOf } from "@/core/money";

import { Sum } from "../kit/Amount";
import { LedgerList } from "../kit/lists/LedgerList";
import { PayoutTabs } from "./PayoutTabs";
import { percentWords } from "./fees";

export type AheadRow = {
  key: string;
  on: Day;
  account: string;
  what: string;
  from: Day | null;
  to: Day | null;
  sum: Minor;
  late: boolean;
  href: string | null;
};
type Returnable = { settledOn: Day; until: Day; count: number; sum: Minor };
type Rate = {
  name: "unauthorized" | "administrative" | "all";
  returns: number;
  debits: number;
  perMillion: number;
  limitPerMillion: number;
};
type Props = {
  book: string;
  currency: Currency;
  today: Day;
  rows: AheadRow[];
  started: {
    id: number;
    startedOn: Day;
    from: string;
    customerId: number | null;
    sum: Minor;
    currency: Currency;
  }[];
  returnable: Returnable[];
  sixty: { count: number; sum: Minor };
  rates: Rate[];
};

const RATE_WORDS: Record<Rate["name"], string> = {
  unauthorized: "not authorized",
  administrative: "wrong accounts",
  all: "all returns",
};

/** What is on its way to the bank and when it lands, late ones first; which debits can still come back, and how many did. */
export function AheadPage({
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
      <div className="heading">
        <h1>
          {formatAmount(all, currency)}{" "}
          <small>on its way{late.length === 0 ? ", nothing late" : null}</small>
        </h1>
        {late.length > 0 ? (
          <span className="off">
            {formatAmount(
              sumOf(late, ({ sum }) => sum),
              currency,
            )}{" "}
            late
          </span>
        ) : null}
        <PayoutTabs at="ahead" />
      </div>
      <div className="columns" style={{ gridTemplateColumns: "minmax(0, 3fr) minmax(0, 2fr)" }}>
        <section>
          <h2>To the bank, by the day it should land</h2>
          <LedgerList<AheadRow>
            label="On its way to the bank"
            rows={rows}
            idOf={(row) => row.key}
            href={(row) =>
              row.href === null ? `/b/${book}/payouts?show=clearing` : `/b/${book}/${row.href}`
            }
            columns={[
              {
                id: "on",
                header: "Lands",
                width: "24%",
                cell: (row) => (
                  <span className={row.late ? "off" : ""}>
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
                  <Sum of={row.sum} currency={currency} tone={row.late ? "off" : undefined} />
                ),
                foot: <span className="total">{formatAmount(all, currency)}</span>,
              },
            ]}
            empty={<p>Nothing is on its way.</p>}
          />
        </section>
        <section>
          <h2>
            ACH debits on their way to us <span className="soft">not money yet</span>
          </h2>
          <table className="small" aria-label="Debits on their way">
            <tbody>
              {started.map((one) => (
                <tr key={one.id}>
                  <td>
                    {one.customerId === null ? (
                      one.from
                    ) : (
                      <NextLink href={`/b/${book}/customers/${one.customerId}`} prefetch={false}>
                        {one.from}
                      </NextLink>
                    )}
                  </td>
                  <td className="soft">since {formatDay(one.startedOn, today)}</td>
                  <td className="num">
                    <Sum of={one.sum} currency={one.currency} />
                  </td>
                </tr>
              ))}
              {started.length === 0 ? (
                <tr>
                  <td className="soft">None.</td>
                </tr>
              ) : null}
            </tbody>
          </table>
          <h2>ACH debits that can still come back</h2>
          <table className="small" aria-label="Debits that can still come back">
            <thead>
              <tr>
                <th scope="col">Settled</th>
                <th scope="col">Most returns until</th>
                <th scope="col" className="num">
                  Debits
                </th>
                <th scope="col" className="num">
                  Sum
                </th>
              </tr>
            </thead>
            <tbody>
              {returnable.map((row) => (
                <tr key={row.settledOn}>
                  <td>{formatDay(row.settledOn, today)}</td>
                  <td>{formatDay(row.until, today)}</td>
                  <td className="num">{row.count}</td>
                  <td className="num sum">{formatAmount(row.sum, currency)}</td>
                </tr>
              ))}
              {returnable.length === 0 ? (
                <tr>
                  <td className="soft" colSpan={4}>
                    None within two banking days.
                  </td>
                </tr>
              ) : null}
              <tr>
                <td className="soft" colSpan={2}>
                  if not authorized, 60 days
                </td>
                <td className="num">{sixty.count}</td>
                <td className="num sum">{formatAmount(sixty.sum, currency)}</td>
              </tr>
            </tbody>
          </table>
          <h2>Returns in 60 days, against the limits</h2>
          <table className="small" aria-label="Return rates">
            <tbody>
              {rates.map((rate) => (
                <tr key={rate.name}>
                  <td>{RATE_WORDS[rate.name]}</td>
                  <td className="soft">
                    {rate.returns} of {rate.debits}
                  </td>
                  <td className={rate.perMillion > rate.limitPerMillion ? "num off" : "num"}>
                    {percentWords(rate.perMillion)}
                  </td>
                  <td className="num soft">at most {percentWords(rate.limitPerMillion)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="soft">
            What came back stands under <NextLink href="?show=back">Came back</NextLink>.
          </p>
        </section>
      </div>
    </>
  );
}
