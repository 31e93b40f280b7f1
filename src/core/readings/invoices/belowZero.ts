import { formatAmount } from "@/core/money";

import { type Reading, sumOfCell } from "../canonical";
import { isAgreedLayout, type Row } from "../cells";
import type { Question } from "../types";

const sumOf = (reading: Reading, row: Row): number =>
  sumOfCell(reading, row, "total") ?? sumOfCell(reading, row, "balance") ?? 0;

/** A list whose every sum is below zero: what is owed, as some ledgers write it, or credit notes alone. */
export function belowZeroQuestion(
  reading: Reading,
  rows: readonly Row[],
  isCredit: (row: Row) => boolean,
): Question[] {
  const worth = rows.filter((row) => sumOf(reading, row) !== 0);
  const [first] = worth;
  if (!first || reading.cells.file.answers.owed !== undefined || worth.some(isCredit)) return [];
  // In the agreed layout a sum below zero is a credit note.
  if (isAgreedLayout(reading.cells)) return [];
  if (worth.some((row) => sumOf(reading, row) > 0)) return [];
  const shown = formatAmount(Math.abs(sumOf(reading, first)), reading.currencyOf(first));
  return [
    {
      key: "owed",
      words: `Every sum of the list is below zero (line ${first.line}: ${shown}). Is that owed by the customers, or to them?`,
      choices: [
        { answer: "size", result: `by them: line ${first.line} is an invoice of ${shown}` },
        { answer: "written", result: `to them: line ${first.line} is a credit note of ${shown}` },
      ],
    },
  ];
}
