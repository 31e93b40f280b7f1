"use client";

import NextLink from "next/link";
import type { ReactNode } from "react";

import { Amount } from "../kit/Amount";
import { Word } from "../kit/Word";
import { DetailTable } from "../kit/tables";
import type { Props } from "./CashToExpect";

export const number = (value: number | null, digits = 1): string =>
  value === null ? "–" : value.toFixed(digits);
type MonthsTableProps = {
  book: Props["book"];
  currency: Props["currency"];
  months: Props["months"];
};
export function MonthsTable({ book, currency, months }: MonthsTableProps): ReactNode {
  return (
    <DetailTable aria-label="Figures by month">
      <thead>
        <tr>
          <th scope="col">Month</th>
          <th data-numeric scope="col">
            Sold
          </th>
          <th data-numeric scope="col">
            Owed at its end
          </th>
          <th data-numeric scope="col">
            <Word of="dso">DSO</Word>
          </th>
          <th data-numeric scope="col">
            Best
          </th>
          <th data-numeric scope="col">
            <Word of="cei">CEI</Word>
          </th>
          <th data-numeric scope="col">
            Days late
          </th>
        </tr>
      </thead>
      <tbody>
        {[...months].reverse().map((month) => (
          <tr key={month.month}>
            <td>{month.month}</td>
            <td data-numeric>
              <NextLink
                href={`/b/${book}/invoices?state=all&issued=${month.month}`}
                prefetch={false}
              >
                <Amount of={month.sales} currency={currency} />
              </NextLink>
            </td>
            <td data-numeric>
              <NextLink href={`?as-of=${month.end}`} prefetch={false}>
                <Amount of={month.receivables} currency={currency} />
              </NextLink>
            </td>
            <td data-numeric>{number(month.dso)}</td>
            <td data-numeric>{number(month.best)}</td>
            <td data-numeric>{month.cei === null ? "–" : `${month.cei.toFixed(1)} %`}</td>
            <td data-numeric>{number(month.daysLate)}</td>
          </tr>
        ))}
      </tbody>
    </DetailTable>
  );
}
