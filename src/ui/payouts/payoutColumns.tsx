"use client";

import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";

import type { BandDay, PayoutRow } from "@/contracts/payouts";
import { type Day, formatDay } from "@/core/calendar";
import { type Currency, sumOf } from "@/core/money";

import { Amount, LeftOver, Total } from "../kit/Amount";
import type { ListColumn } from "../kit/lists/LedgerList";

export type Props = {
  book: string;
  currency: Currency;
  today: Day;
  rows: PayoutRow[];
  days: BandDay[];
  month: string;
  before: string;
  after: string;
  onlyOpen: boolean;
};
export function columnsOf({ currency, today, rows }: Props): ListColumn<PayoutRow>[] {
  // Each currency has a total of its own.
  const currencies = [...new Set([currency, ...rows.map((row) => row.currency)])];
  const sum = (pick: (row: PayoutRow) => number): ReactNode =>
    currencies.map((currency) => (
      <Box key={currency}>
        <Amount
          of={sumOf(
            rows.filter((row) => row.currency === currency),
            pick,
          )}
          currency={currency}
          dash
        />
      </Box>
    ));
  return [
    ...whichColumns(rows, today),
    ...PARTS.map(({ id, header, width }): ListColumn<PayoutRow> => ({
      id,
      header,
      width,
      number: true,
      cell: (row) => <Amount of={row[id]} currency={row.currency} dash />,
      foot: sum((row) => row[id]),
    })),
    {
      id: "net",
      narrow: "sum",
      header: "Should be",
      width: "10%",
      number: true,
      cell: (row) => <Amount of={row.net} currency={row.currency} dash />,
      foot: <Total>{sum((row) => row.net)}</Total>,
    },
    {
      id: "line",
      header: "Bank line",
      width: "8%",
      number: true,
      cell: (row) => (row.atBank === null ? "–" : <Amount of={row.atBank} currency={currency} />),
      foot: <Amount of={sumOf(rows, (row) => row.atBank ?? 0)} currency={currency} dash />,
    },
    {
      id: "off",
      narrow: "more",
      header: "Off by",
      width: "8%",
      number: true,
      cell: (row) => offCell(row),
      foot: (
        <LeftOver
          of={sumOf(
            rows.filter((row) => !row.abroad),
            (row) => row.offBy ?? 0,
          )}
          currency={currency}
        />
      ),
    },
  ];
}

/** What a payout is made of, a column each. */
const PARTS = [
  { id: "charges", header: "Charges", width: "9%" },
  { id: "fees", header: "Fees", width: "8%" },
  { id: "refunds", header: "Refunds", width: "8%" },
  { id: "disputes", header: "Disputes", width: "8%" },
  { id: "other", header: "Other", width: "6%" },
] as const satisfies readonly { id: keyof PayoutRow; header: string; width: string }[];

function whichColumns(rows: readonly PayoutRow[], today: Day): ListColumn<PayoutRow>[] {
  return [
    {
      id: "payout",
      narrow: "who",
      header: "Payout",
      width: "16%",
      cell: (row) => (
        <span title={`${row.externalId}, ${row.processorName}`}>
          {row.externalId}, {row.chargeCount} {row.chargeCount === 1 ? "charge" : "charges"}
        </span>
      ),
      foot: `${rows.length} payouts`,
    },
    {
      id: "bank",
      narrow: "state",
      header: "At the bank",
      width: "11%",
      cell: (row) =>
        row.bankOn ? (
          formatDay(row.bankOn, today)
        ) : (
          <span data-tone={row.shown === "late" ? "off" : "soft"}>
            {row.shown === "late" ? "late, due " : "due "}
            {formatDay(row.expectedOn, today)}
          </span>
        ),
    },
    {
      id: "takings",
      header: "Takings of",
      width: "14%",
      cell: (row) => {
        if (!(row.takenFrom && row.takenTo)) return "–";
        if (row.takenFrom === row.takenTo) return formatDay(row.takenFrom, today);
        return `${formatDay(row.takenFrom, today)} to ${formatDay(row.takenTo, today)}`;
      },
    },
  ];
}
function offCell(row: PayoutRow): ReactNode {
  if (row.offBy === null) return "–";
  if (row.shown === "fits") return <span data-tone="waits">tie it</span>;
  return (
    <span data-tone={row.offBy === 0 ? "good" : "off"}>
      <Amount of={row.offBy} currency={row.currency} />
      {row.offBy === 0 ? " ✓" : ""}
    </span>
  );
}
