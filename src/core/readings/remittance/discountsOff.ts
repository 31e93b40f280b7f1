import { plainWords } from "@/core/formats";
import { formatAmount, type Minor, minor, sumOf } from "@/core/money";

import { type Reading, sumOfCell } from "../canonical";
import { isAgreedLayout, type Row } from "../cells";
import type { Question } from "../types";
import { linesOfPayments } from "./payments";

/** Heads that say that a sum is what was paid, in six languages (common practice, no source). */
const PAID =
  /\b(paid|net|netto|nett|neto|payment|remit\w*|applied|settled|received|zahl\w*|gezahlt|paye\w*|regle\w*|pagad[oa]|pagat[oa]|betaald|nettobetrag)\b/;

type Paid = (row: Row) => Minor | null;

/**
 * Whether the discount of an advice comes off the sum beside it, or is beside what was paid already: the
 * payment says it where both are not the same, else the head of the sum; where neither does it is asked.
 */
export function discountsOff(
  reading: Reading,
  rows: readonly Row[],
  paid: Paid,
): { paid: Paid; questions: readonly Question[] } {
  const { cells } = reading;
  const off = (row: Row): Minor => minor(Math.abs(sumOfCell(reading, row, "discount") ?? 0));
  const less: Paid = (row) => {
    const sum = paid(row);
    return sum === null || sum <= 0 ? sum : minor(sum - off(row));
  };
  const first = rows.find((row) => off(row) !== 0 && (paid(row) ?? 0) > off(row));
  if (!first || isAgreedLayout(cells)) return { paid, questions: [] };
  const said = cells.file.answers.discounts ?? provenBy(reading, rows, { paid, less });
  if (said !== null) return { paid: said === "off" ? less : paid, questions: [] };
  if (PAID.test(plainWords(cells.head("amount")))) return { paid, questions: [] };
  const shown = (sum: number | null): string => formatAmount(sum ?? 0, reading.currencyOf(first));
  return {
    paid,
    questions: [
      {
        key: "discounts",
        words: `Line ${first.line} says ${shown(paid(first))} under “${cells.head("amount")}” and ${shown(off(first))} under “${cells.head("discount")}”. What was paid of it?`,
        choices: [
          { answer: "off", result: `${shown(less(first))}: the one comes off the other` },
          {
            answer: "beside",
            result: `${shown(paid(first))}: what was taken off is gone from it already`,
          },
        ],
      },
    ],
  };
}

/** What the payments come to by what they say themselves; null where they say nothing. */
function provenBy(
  reading: Reading,
  rows: readonly Row[],
  { paid, less }: { paid: Paid; less: Paid },
): "off" | "beside" | null {
  const payments = linesOfPayments(reading, rows);
  const comesTo = (by: Paid): boolean =>
    payments.length > 0 &&
    payments.every((lines) => {
      const total = lines[0] ? sumOfCell(reading, lines[0], "total") : null;
      return total !== null && Math.abs(total) === sumOf(lines, (row) => by(row) ?? minor(0));
    });
  if (comesTo(less)) return "off";
  return comesTo(paid) ? "beside" : null;
}
