import { formatAmount, type Minor, sumOf } from "@/core/money";

import {
  headsUsedAs,
  inText,
  type Made,
  plainFields,
  type Reading,
  sumOfCell,
  sumUnderHead,
} from "./canonical";
import type { Row } from "./cells";
import { groupedBy } from "./grouped";
import type { Question } from "./types";

/** What an advice says of an invoice, and the use of a column that may say it instead. */
const USES = ["amount", "discount"] as const;

/** Advice in the agreed layout; what was paid and taken off may stand in columns that were said to hold it. */
export function remittanceTable(reading: Reading, rows: readonly Row[]): Made {
  const payments = paymentsOf(reading, rows);
  const off = payments.find(({ total, sum }) => total !== null && total !== sum);
  const isProven = payments.length > 0 && payments.every(({ total, sum }) => total === sum);
  return {
    rows: rows.map((row) => ({ line: row.line, fields: fieldsOf(reading, row) })),
    leftOut: [],
    refused: [],
    questions: off === undefined ? [] : footQuestion(reading, off),
    proofs: [
      ...(isProven ? [provenWords(payments.length)] : []),
      ...(isLess(reading, rows)
        ? [`gross less discount is what was paid on all ${rows.length} lines`]
        : []),
    ],
  };
}

function fieldsOf(reading: Reading, row: Row): Record<string, string> {
  const fields = plainFields(reading, row);
  for (const field of USES)
    for (const head of headsUsedAs(reading, field))
      fields[field] = inText(sumUnderHead(reading, row, head) ?? 0, reading.currencyOf(row));
  return fields;
}

const provenWords = (count: number): string =>
  count === 1
    ? "the lines are the sum of the payment"
    : `the lines of all ${count} payments are the sum of each`;

/** Whether what was paid is, on every line, what the discount leaves of another column. */
const isLess = (reading: Reading, rows: readonly Row[]): boolean =>
  reading.cells.unread().some(({ head }) =>
    rows.every((row) => {
      const [paid, off] = USES.map((field) => sumOfCell(reading, row, field) ?? 0);
      return (sumUnderHead(reading, row, head) ?? 0) - Math.abs(off ?? 0) === paid;
    }),
  );

type Payment = { row: Row; total: Minor | null; sum: Minor };

/** Each payment with its total as it is said, and what its lines come to. */
function paymentsOf(reading: Reading, rows: readonly Row[]): Payment[] {
  const { cells } = reading;
  const groups = groupedBy(rows, (row) =>
    ["trace", "payerName", "paidOn", "total"].map((field) => cells.of(row, field)).join("|"),
  );
  const [instead] = headsUsedAs(reading, "amount");
  const paid = (row: Row): Minor =>
    (instead === undefined
      ? sumOfCell(reading, row, "amount")
      : sumUnderHead(reading, row, instead)) ?? (0 as Minor);
  return [...groups.values()].flatMap((lines) => {
    const [row] = lines;
    return row ? [{ row, total: sumOfCell(reading, row, "total"), sum: sumOf(lines, paid) }] : [];
  });
}

function footQuestion(reading: Reading, { row, total, sum }: Payment): Question[] {
  if (reading.cells.file.answers.foot !== undefined) return [];
  const shown = (amount: Minor): string => formatAmount(amount, reading.currencyOf(row));
  return [
    {
      key: "foot",
      words: `The payment of line ${row.line} is ${shown(total ?? (0 as Minor))}, and its lines come to ${shown(sum)}.`,
      choices: [{ answer: "take", result: "take the lines in as they stand" }],
    },
  ];
}
