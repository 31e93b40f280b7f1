import { type Content, type TableCell } from "pdfmake/interfaces";

import { type StatementPart } from "@/contracts/customers";
import { formatDay } from "@/core/calendar";
import { BUCKETS, bucketWords } from "@/core/metrics";
import { type Currency, formatAmount, type Minor } from "@/core/money";
import { type Statement } from "@/server/customers/queries/statement";

import { printable } from "./pdf";

/** The papers that customers get: the statement of account and the single invoice, as PDF. */
export const right = (text: string, bold = false): TableCell => ({
  text: printable(text),
  alignment: "right",
  bold,
});

export const left = (text: string, bold = false): TableCell => ({ text: printable(text), bold });

export const sum = (amount: number, currency: Currency): string => formatAmount(amount, currency);

type Margin = [left: number, top: number, right: number, bottom: number];

export function partOf(part: StatementPart, span: Statement): Content[] {
  return [
    { text: `In ${part.currency}`, bold: true, margin: [0, 8, 0, 4] },
    movements(part, span),
    ...(part.open.length === 0 ? [] : openPart(part)),
  ];
}

/** A ledger's table: its columns of words from the left, its sums from the right. */
const ledgerTable = (widths: string[], body: TableCell[][]): Content => ({
  layout: "lightHorizontalLines",
  table: { headerRows: 1, widths, body },
});

function movements(part: StatementPart, { from, to }: Statement): Content {
  const amount = (of: Minor, bold = false): TableCell => right(sum(of, part.currency), bold);
  return ledgerTable(
    ["auto", "*", "auto", "auto"],
    [
      [left("Day", true), left("What", true), right("Amount", true), right("Balance", true)],
      [left(formatDay(from)), left("Opening balance"), right(""), amount(part.opening)],
      ...part.lines.map((line) => [
        left(formatDay(line.on)),
        left(line.words),
        amount(line.amount),
        amount(line.balance),
      ]),
      [
        left(formatDay(to), true),
        left("Closing balance", true),
        right(""),
        amount(part.closing, true),
      ],
    ],
  );
}

/** What is open on the closing day, item by item and by age. */
function openPart(part: StatementPart): Content[] {
  return [
    { text: "Open", bold: true, margin: [0, 12, 0, 4] as Margin },
    openTable(part),
    {
      margin: [0, 10, 0, 0] as Margin,
      table: {
        widths: BUCKETS.map(() => "*"),
        body: [
          BUCKETS.map((bucket) => right(bucketWords(bucket))),
          BUCKETS.map((bucket) => right(sum(part.aging[bucket], part.currency))),
        ],
      },
    },
  ];
}

function openTable({ open, onAccount, closing, currency }: StatementPart): Content {
  const amount = (of: Minor, bold = false): TableCell => right(sum(of, currency), bold);
  const credit = [left(""), left("On account"), left(""), right(""), amount(onAccount)];
  return ledgerTable(
    ["auto", "*", "auto", "auto", "auto"],
    [
      [
        left("Number", true),
        left("For", true),
        left("Due", true),
        right("Total", true),
        right("Open", true),
      ],
      ...open.map((item) => [
        left(item.number),
        left(item.description ?? ""),
        left(item.kind === "credit_note" ? "" : formatDay(item.dueOn)),
        amount(item.total),
        amount(item.balance),
      ]),
      ...(onAccount === 0 ? [] : [credit]),
      [left("", true), left("Together", true), left(""), right(""), amount(closing, true)],
    ],
  );
}
