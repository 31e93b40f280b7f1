"use client";

import NextLink from "next/link";
import type { ReactNode } from "react";

import type { YearEndFacts } from "@/contracts/reports";
import type { BookFacts } from "@/contracts/shell";
import { formatAmount, sumOf } from "@/core/money";

import { Total } from "../kit/Amount";
import { entriesOf, SumLink } from "../kit/SumLink";
import { DetailTable, Heads } from "../kit/tables";

export type Props = BookFacts & YearEndFacts;
const MONTHS = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"];
type GrossTableProps = {
  book: Props["book"];
  amount: (of: number) => string;
  currency: Props["currency"];
  gross: Props["gross"];
  year: Props["year"];
};
export function GrossTable({ amount, book, currency, gross, year }: GrossTableProps): ReactNode {
  return (
    <DetailTable aria-label="Gross receipts by month">
      <thead>
        <tr>
          <th scope="col">Month</th>
          {gross.map(({ account }) => (
            <th data-numeric key={account} scope="col">
              {account}
            </th>
          ))}
          <th data-numeric scope="col">
            All
          </th>
        </tr>
      </thead>
      <tbody>
        {MONTHS.map((month, at) => (
          <tr key={month}>
            <td>{month}</td>
            {gross.map(({ account, months }) => (
              <td data-numeric data-sum key={account}>
                {amount(months[at] ?? 0)}
              </td>
            ))}
            <td data-numeric>
              <SumLink
                of={sumOf(gross, ({ months }) => months[at] ?? 0)}
                currency={currency}
                href={entriesOf(book, {
                  event: "receipt",
                  month: `${year}-${String(at + 1).padStart(2, "0")}`,
                })}
              />
            </td>
          </tr>
        ))}
        <tr>
          <td data-tone="soft">{year}</td>
          {gross.map(({ account, sum }) => (
            <td data-numeric key={account}>
              <Total>{formatAmount(sum, currency)}</Total>
            </td>
          ))}
          <td data-numeric>
            <Total>
              {formatAmount(
                sumOf(gross, ({ sum }) => sum),
                currency,
              )}
            </Total>
          </td>
        </tr>
      </tbody>
    </DetailTable>
  );
}
type CashTableProps = {
  book: Props["book"];
  amount: (of: number) => string;
  cash: Props["cash"];
  currency: Props["currency"];
  year: Props["year"];
};
export function CashTable({ amount, book, cash, currency, year }: CashTableProps): ReactNode {
  return (
    <DetailTable aria-label="Income on the cash basis">
      <Heads
        of={[
          "Month",
          { number: "Paid on invoices" },
          { number: "Tax in it" },
          { number: "Income" },
        ]}
      />
      <tbody>
        {cash.months.map((month) => (
          <tr key={month.month}>
            <td>{MONTHS[Number(month.month.slice(5)) - 1]}</td>
            <td data-numeric>
              <SumLink
                of={month.received}
                currency={currency}
                href={entriesOf(book, { event: "apply", month: month.month })}
              />
            </td>
            <td data-numeric data-sum>
              {amount(month.tax)}
            </td>
            <td data-numeric data-sum>
              {amount(month.income)}
            </td>
          </tr>
        ))}
        <tr>
          <td data-tone="soft">{year}</td>
          <td data-numeric>
            <Total>{formatAmount(cash.received, currency)}</Total>
          </td>
          <td data-numeric>
            <Total>{formatAmount(cash.tax, currency)}</Total>
          </td>
          <td data-numeric>
            <Total>{formatAmount(cash.income, currency)}</Total>
          </td>
        </tr>
      </tbody>
    </DetailTable>
  );
}
type TaxTableProps = {
  book: Props["book"];
  currency: Props["currency"];
  amount: (of: number) => string;
  tax: Props["tax"];
};
export function TaxTable({ amount, book, currency, tax }: TaxTableProps): ReactNode {
  return (
    <DetailTable aria-label="Tax payable">
      <Heads
        of={["Code", { number: "Charged" }, { number: "Taken off" }, { number: "Stands at" }]}
      />
      <tbody>
        {tax.map((tax) => (
          <tr key={tax.code}>
            <td>
              <NextLink href={`/b/${book}/books?view=account&account=${tax.code}`} prefetch={false}>
                {tax.code} {tax.name}
              </NextLink>
            </td>
            <td data-numeric data-sum>
              {amount(tax.charged)}
            </td>
            <td data-numeric data-sum>
              {amount(tax.less)}
            </td>
            <td data-numeric>
              <SumLink
                of={tax.balance}
                currency={currency}
                href={`/b/${book}/books?view=account&account=${tax.code}`}
              />
            </td>
          </tr>
        ))}
      </tbody>
    </DetailTable>
  );
}
