"use client";

import { chakra } from "@chakra-ui/react";
import NextLink from "next/link";
import {
  type Dispatch,
  Fragment,
  type ReactNode,
  type SetStateAction,
  useMemo,
  useState,
} from "react";

import type { PayingFacts } from "@/contracts/customers";

import { RowButton } from "../kit/buttons";
import { Subheading } from "../kit/headings";
import { Details } from "../kit/layout";
import { DetailTable, Heads } from "../kit/tables";
import { FigureChart } from "../reports/FigureChart";

const MONTHS = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"];
const monthName = (month: string): string =>
  `${MONTHS[Number(month.slice(5)) - 1] ?? ""} ${month.slice(2, 4)}`;

/**
 * How a customer pays: days late by month as a chart with its table, by which methods, and whether
 * it keeps its promises.
 */
export function Paying({
  paying,
  words,
  book,
  customerId,
}: {
  paying: PayingFacts & { kept: number; broken: number };
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
      <Subheading>
        How they pay{" "}
        <span data-tone="soft">
          {words.charAt(0).toLowerCase()}
          {words.slice(1)}
        </span>
      </Subheading>
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
        <PayingByMonth
          book={book}
          customerId={customerId}
          months={months}
          open={open}
          setOpen={setOpen}
        />
      ) : null}
      <p data-tone="soft">
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

type PayingByMonthProps = {
  book: string;
  customerId: number;
  months: PayingFacts["months"];
  open: string | null;
  setOpen: Dispatch<SetStateAction<string | null>>;
};

function PayingByMonth({ book, customerId, months, open, setOpen }: PayingByMonthProps): ReactNode {
  return (
    <Details>
      <summary data-tone="soft">by month</summary>
      <DetailTable aria-label="Days late by month">
        <Heads of={["Month", { number: "Invoices paid" }, { number: "Days late" }]} />
        <tbody>
          {months.map((month) => (
            <Fragment key={month.month}>
              <tr>
                <td>{monthName(month.month)}</td>
                <td data-numeric>
                  <RowButton
                    data-strong
                    aria-expanded={open === month.month}
                    aria-label={`${month.count} invoices paid in ${monthName(month.month)}`}
                    onClick={() => setOpen(open === month.month ? null : month.month)}
                  >
                    {month.count}
                  </RowButton>
                </td>
                <td data-numeric>{month.daysLate.toFixed(1)}</td>
              </tr>
              {open === month.month
                ? month.invoices.map((invoice) => (
                    <tr key={invoice.id}>
                      <td data-tone="soft">
                        <NextLink href={`/b/${book}/invoices/${invoice.id}`} prefetch={false}>
                          {invoice.number}
                        </NextLink>
                      </td>
                      <td />
                      <td data-numeric data-tone="soft">
                        {invoice.daysLate}
                      </td>
                    </tr>
                  ))
                : null}
              {open === month.month && month.count > month.invoices.length ? (
                <tr>
                  <td data-tone="soft" colSpan={3}>
                    and {month.count - month.invoices.length} more, in the files
                  </td>
                </tr>
              ) : null}
            </Fragment>
          ))}
        </tbody>
      </DetailTable>
      <p data-tone="soft">
        invoice by invoice{" "}
        {(["csv", "xlsx", "pdf"] as const).map((format) => (
          <chakra.a
            marginLeft="5px"
            key={format}
            href={`/api/v1/b/${book}/export/paying?customer=${customerId}&format=${format}`}
          >
            {format.toUpperCase()}
          </chakra.a>
        ))}
      </p>
    </Details>
  );
}
