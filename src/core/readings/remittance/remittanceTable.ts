import { formatAmount, type Minor, negate, sumOf } from "@/core/money";

import {
  headsUsedAs,
  inText,
  type Made,
  plainFields,
  type Reading,
  sumOfCell,
  sumUnderHead,
} from "../canonical";
import type { Row } from "../cells";
import type { Question } from "../types";
import { creditsIn } from "./credits";
import { creditsBeside } from "./creditsBeside";
import { discountsOff } from "./discountsOff";
import { numberQuestion } from "../columns/ourNumbers";
import { payDayOf } from "./payDay";
import { linesOfPayments } from "./payments";

/** What an advice says of an invoice, and the use of a column that may say it instead. */
const USES = ["amount", "discount"] as const;

/** Advice in the agreed layout; what was paid and taken off may stand in columns that were said to hold it. */
export function remittanceTable(reading: Reading, rows: readonly Row[]): Made {
  const credits = creditsIn(reading, rows);
  const written = asReceived(reading, rows, paidBy(reading, rows, credits.lines));
  const discounts = isLess(reading, rows)
    ? { paid: written, questions: [] }
    : discountsOff(reading, rows, written);
  const { paid } = discounts;
  const beside = creditsBeside(reading, rows);
  const day = payDayOf(reading, rows);
  const payments = paymentsOf(reading, rows, paid);
  const off = payments.find(({ total, sum }) => total !== null && total !== sum);
  const isProven =
    saysPaid(reading) && payments.length > 0 && payments.every(({ total, sum }) => total === sum);
  return {
    rows: rows.flatMap((row) => {
      const fields = fieldsOf(reading, row, paid);
      return beside(row, day.said === null ? fields : { ...fields, paidOn: day.said });
    }),
    leftOut: [],
    refused: [],
    questions: [
      ...numberQuestion(reading.cells.file),
      ...day.questions,
      ...credits.questions,
      ...discounts.questions,
      ...(off === undefined ? [] : footQuestion(reading, off)),
    ],
    proofs: [
      ...(isProven ? [provenWords(payments.length)] : []),
      ...(rows.length > 0 && isLess(reading, rows)
        ? [`gross less discount is what was paid on all ${rows.length} lines`]
        : []),
    ],
  };
}

/** Whether a column says what was paid of each invoice, so that a total beside it proves something. */
const saysPaid = (reading: Reading): boolean =>
  reading.cells.has("amount") || headsUsedAs(reading, "amount").length > 0;

/** What was paid of a line; null where no column says it. */
type Paid = (row: Row) => Minor | null;

/**
 * By the column of it, or the one that was said to hold it; a credit lowers what was paid. Where there
 * is none, a payment that has one line was paid for what stands on it, be it for several invoices.
 */
function paidBy(reading: Reading, rows: readonly Row[], credits: ReadonlySet<number>): Paid {
  const [instead] = headsUsedAs(reading, "amount");
  const alone = new Set(
    linesOfPayments(reading, rows).flatMap(([row, ...more]) =>
      row !== undefined && more.length === 0 ? [row.line] : [],
    ),
  );
  const written = (row: Row): Minor | null => {
    if (instead !== undefined) return sumUnderHead(reading, row, instead);
    if (reading.cells.has("amount")) return sumOfCell(reading, row, "amount");
    return alone.has(row.line) ? sumOfCell(reading, row, "total") : null;
  };
  return (row) => {
    const sum = written(row);
    return sum !== null && sum > 0 && credits.has(row.line) ? negate(sum) : sum;
  };
}

/** A payer writes what he pays below zero: no payment comes to that for the one who gets it. */
function asReceived(reading: Reading, rows: readonly Row[], paid: Paid): Paid {
  const sums = linesOfPayments(reading, rows).map((lines) =>
    sumOf(lines, (row) => paid(row) ?? (0 as Minor)),
  );
  if (sums.length === 0 || sums.some((sum) => sum >= 0)) return paid;
  return (row) => {
    const sum = paid(row);
    return sum === null ? null : negate(sum);
  };
}

function fieldsOf(reading: Reading, row: Row, paid: Paid): Record<string, string> {
  const fields = plainFields(reading, row);
  const sum = paid(row);
  const total = totalOf(reading, row);
  if (sum !== null) fields.amount = inText(sum, reading.currencyOf(row));
  if (total !== null) fields.total = inText(total, reading.currencyOf(row));
  for (const head of headsUsedAs(reading, "discount"))
    fields.discount = inText(sumUnderHead(reading, row, head) ?? 0, reading.currencyOf(row));
  return fields;
}

const provenWords = (count: number): string =>
  count === 1
    ? "the lines are the sum of the payment"
    : `the lines of all ${count} payments are the sum of each`;

/** Whether what was paid is, on every line, what the discount leaves of another column. */
const isLess = (reading: Reading, rows: readonly Row[]): boolean =>
  reading.cells.has("amount") &&
  reading.cells.unread().some(({ head }) =>
    rows.every((row) => {
      const [paid, off] = USES.map((field) => sumOfCell(reading, row, field) ?? 0);
      return (sumUnderHead(reading, row, head) ?? 0) - Math.abs(off ?? 0) === paid;
    }),
  );

type Payment = { row: Row; total: Minor | null; sum: Minor };

/** Each payment with its total as it is said, and what its lines come to. */
function paymentsOf(reading: Reading, rows: readonly Row[], paid: Paid): Payment[] {
  return linesOfPayments(reading, rows).flatMap((lines) => {
    const [row] = lines;
    return row
      ? [
          {
            row,
            total: totalOf(reading, row),
            sum: sumOf(lines, (line) => paid(line) ?? (0 as Minor)),
          },
        ]
      : [];
  });
}

/** What a payment is said to be, whichever side writes it. */
function totalOf(reading: Reading, row: Row): Minor | null {
  const total = sumOfCell(reading, row, "total");
  return total !== null && total < 0 ? negate(total) : total;
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
