"use client";

import NextLink from "next/link";
import type { ReactNode } from "react";

import { type Day, formatDay } from "@/core/calendar";
import { type CashMonth, type CreditAge, creditAgeWords } from "@/core/metrics";
import { formatAmount, type Minor, sumOf } from "@/core/money";

import type { Around } from "../history/types";
import { ReportTabs } from "./ReportTabs";

type Gross = { account: string; months: Minor[]; sum: Minor };
type Tax = { code: string; name: string; charged: Minor; less: Minor; balance: Minor };
type Credits = {
  ages: { age: CreditAge; sum: Minor; count: number }[];
  sum: Minor;
  oldest: {
    receiptId: number;
    customerId: number | null;
    name: string;
    since: Day;
    sum: Minor;
    age: CreditAge;
  }[];
};
type Props = Around & {
  year: string;
  gross: Gross[];
  tax: Tax[];
  cash: { months: CashMonth[]; received: Minor; income: Minor; tax: Minor };
  credits: Credits;
};

const MONTHS = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"];

/** What the year needs: gross by processor account and month, tax payable by code, income on the cash basis, credit on account by age. */
export function YearPage(props: Props): ReactNode {
  const { year, gross, tax, cash, currency, book } = props;
  const amount = (of: number): string => formatAmount(of, currency, { dash: true });
  return (
    <>
      <div className="heading">
        <h1>
          {formatAmount(
            sumOf(gross, ({ sum }) => sum),
            currency,
          )}{" "}
          <small>gross receipts by processors, {year}</small>
        </h1>
        <ReportTabs at="year" />
        <div className="end">
          <NextLink href={`?show=year&year=${Number(year) - 1}`} prefetch={false}>
            year before
          </NextLink>
          <NextLink href={`?show=year&year=${Number(year) + 1}`} prefetch={false}>
            year after
          </NextLink>
          <a className="soft" href={`/api/v1/b/${book}/export/year?year=${year}`}>
            CSV
          </a>
        </div>
      </div>
      <div
        className="columns"
        tabIndex={0}
        role="group"
        aria-label="Figures of the year"
        style={{ gridTemplateColumns: "minmax(0, 3fr) minmax(0, 2fr)" }}
      >
        <section>
          <h2>
            Gross by month{" "}
            <span className="soft">before fees and refunds, as a processor reports it</span>
          </h2>
          <table className="small" aria-label="Gross receipts by month">
            <thead>
              <tr>
                <th scope="col">Month</th>
                {gross.map(({ account }) => (
                  <th key={account} scope="col" className="num">
                    {account}
                  </th>
                ))}
                <th scope="col" className="num">
                  All
                </th>
              </tr>
            </thead>
            <tbody>
              {MONTHS.map((month, at) => (
                <tr key={month}>
                  <td>{month}</td>
                  {gross.map(({ account, months }) => (
                    <td key={account} className="num sum">
                      {amount(months[at] ?? 0)}
                    </td>
                  ))}
                  <td className="num sum">
                    {amount(sumOf(gross, ({ months }) => months[at] ?? 0))}
                  </td>
                </tr>
              ))}
              <tr>
                <td className="soft">{year}</td>
                {gross.map(({ account, sum }) => (
                  <td key={account} className="num">
                    <span className="total">{formatAmount(sum, currency)}</span>
                  </td>
                ))}
                <td className="num">
                  <span className="total">
                    {formatAmount(
                      sumOf(gross, ({ sum }) => sum),
                      currency,
                    )}
                  </span>
                </td>
              </tr>
            </tbody>
          </table>
          <h2>Income on the cash basis</h2>
          <table className="small" aria-label="Income on the cash basis">
            <thead>
              <tr>
                <th scope="col">Month</th>
                <th scope="col" className="num">
                  Paid on invoices
                </th>
                <th scope="col" className="num">
                  Tax in it
                </th>
                <th scope="col" className="num">
                  Income
                </th>
              </tr>
            </thead>
            <tbody>
              {cash.months.map((one) => (
                <tr key={one.month}>
                  <td>{MONTHS[Number(one.month.slice(5)) - 1]}</td>
                  <td className="num sum">{amount(one.received)}</td>
                  <td className="num sum">{amount(one.tax)}</td>
                  <td className="num sum">{amount(one.income)}</td>
                </tr>
              ))}
              <tr>
                <td className="soft">{year}</td>
                <td className="num">
                  <span className="total">{formatAmount(cash.received, currency)}</span>
                </td>
                <td className="num">
                  <span className="total">{formatAmount(cash.tax, currency)}</span>
                </td>
                <td className="num">
                  <span className="total">{formatAmount(cash.income, currency)}</span>
                </td>
              </tr>
            </tbody>
          </table>
        </section>
        <section>
          <h2>Tax payable by code</h2>
          <table className="small" aria-label="Tax payable">
            <thead>
              <tr>
                <th scope="col">Code</th>
                <th scope="col" className="num">
                  Charged
                </th>
                <th scope="col" className="num">
                  Taken off
                </th>
                <th scope="col" className="num">
                  Stands at
                </th>
              </tr>
            </thead>
            <tbody>
              {tax.map((one) => (
                <tr key={one.code}>
                  <td>
                    {one.code} {one.name}
                  </td>
                  <td className="num sum">{amount(one.charged)}</td>
                  <td className="num sum">{amount(one.less)}</td>
                  <td className="num sum">{amount(one.balance)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <Unclaimed {...props} />
        </section>
      </div>
    </>
  );
}

/** Credit on account by age: what nobody claims belongs to the state one day. */
function Unclaimed({ credits, book, currency, today }: Props): ReactNode {
  return (
    <>
      <h2>Credit on account by age</h2>
      <table className="small" aria-label="Credit on account by age">
        <tbody>
          {credits.ages.map(({ age, sum, count }) => (
            <tr key={age}>
              <td>{creditAgeWords(age)}</td>
              <td className="soft">
                {count} {count === 1 ? "receipt" : "receipts"}
              </td>
              <td className="num sum">{formatAmount(sum, currency, { dash: true })}</td>
            </tr>
          ))}
          <tr>
            <td className="soft">in all</td>
            <td />
            <td className="num">
              <span className="total">{formatAmount(credits.sum, currency)}</span>
            </td>
          </tr>
        </tbody>
      </table>
      {credits.oldest.length > 0 ? (
        <table className="small" aria-label="Oldest credits">
          <tbody>
            {credits.oldest.slice(0, 12).map((one) => (
              <tr key={one.receiptId}>
                <td>
                  <NextLink href={`/b/${book}/receipts/${one.receiptId}`} prefetch={false}>
                    {one.name}
                  </NextLink>
                </td>
                <td className="soft">since {formatDay(one.since, today)}</td>
                <td className="num sum">{formatAmount(one.sum, currency)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      ) : (
        <p className="good">✓ Nobody has anything on account.</p>
      )}
    </>
  );
}
