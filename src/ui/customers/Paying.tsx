"use client";

import NextLink from "next/link";
import { Fragment, type ReactNode, useMemo, useState } from "react";

import { FigureChart } from "../reports/FigureChart";

export type PayingFacts = {
  months: {
    month: string;
    count: number;
    daysLate: number;
    invoices: { id: number; number: string; daysLate: number }[];
  }[];
  methods: { method: string; count: number }[];
  kept: number;
  broken: number;
};

const MONTHS = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"];
const monthName = (month: string): string =>
  `${MONTHS[Number(month.slice(5)) - 1] ?? ""} ${month.slice(2, 4)}`;

/** How a customer pays: days late by month as a chart with its table, by which methods, and whether it keeps its promises. */
export function Paying({
  paying,
  words,
  book,
  customerId,
}: {
  paying: PayingFacts;
  words: string;
  book: string;
  customerId: number;
}): ReactNode {
  const [open, setOpen] = useState<string | null>(null);
  const { months, methods, kept, broken } = paying;
  const [names, series] = useMemo(
    () =>
      [
        months.map(({ month }) => monthName(month)),
        [{ name: "days late", values: months.map(({ daysLate }) => daysLate) }],
      ] as const,
    [months],
  );
  return (
    <>
      <h2>
        How they pay{" "}
        <span className="soft">
          {words.charAt(0).toLowerCase()}
          {words.slice(1)}
        </span>
      </h2>
      {months.length >= 2 ? (
        <FigureChart
          label="Days late by month"
          names={names}
          series={series}
          kind="bar"
          unit=" days"
        />
      ) : null}
      {months.length > 0 ? (
        <details>
          <summary className="soft">by month</summary>
          <table className="small" aria-label="Days late by month">
            <thead>
              <tr>
                <th scope="col">Month</th>
                <th scope="col" className="num">
                  Invoices paid
                </th>
                <th scope="col" className="num">
                  Days late
                </th>
              </tr>
            </thead>
            <tbody>
              {months.map((one) => (
                <Fragment key={one.month}>
                  <tr>
                    <td>{monthName(one.month)}</td>
                    <td className="num">
                      <button
                        type="button"
                        className="row-open strong"
                        aria-expanded={open === one.month}
                        aria-label={`${one.count} invoices paid in ${monthName(one.month)}`}
                        onClick={() => setOpen(open === one.month ? null : one.month)}
                      >
                        {one.count}
                      </button>
                    </td>
                    <td className="num">{one.daysLate.toFixed(1)}</td>
                  </tr>
                  {open === one.month
                    ? one.invoices.map((invoice) => (
                        <tr key={invoice.id}>
                          <td className="soft">
                            <NextLink href={`/b/${book}/invoices/${invoice.id}`} prefetch={false}>
                              {invoice.number}
                            </NextLink>
                          </td>
                          <td />
                          <td className="num soft">{invoice.daysLate}</td>
                        </tr>
                      ))
                    : null}
                  {open === one.month && one.count > one.invoices.length ? (
                    <tr>
                      <td className="soft" colSpan={3}>
                        and {one.count - one.invoices.length} more, in the files
                      </td>
                    </tr>
                  ) : null}
                </Fragment>
              ))}
            </tbody>
          </table>
          <p className="soft">
            invoice by invoice{" "}
            {(["csv", "xlsx", "pdf"] as const).map((format) => (
              <a
                key={format}
                style={{ marginLeft: 5 }}
                href={`/api/v1/b/${book}/export/paying?customer=${customerId}&format=${format}`}
              >
                {format.toUpperCase()}
              </a>
            ))}
          </p>
        </details>
      ) : null}
      <p className="soft">
        {methods.length === 0
          ? "Nothing was paid in a year."
          : `In a year: ${methods.map(({ method, count }) => `${count} by ${method}`).join(", ")}.`}
        {kept + broken > 0
          ? ` Kept ${kept} of ${kept + broken} ${kept + broken === 1 ? "promise" : "promises"}.`
          : ""}
      </p>
    </>
  );
}
