import { formatAmount } from "@/core/money";

import { headsUsedAs, type Reading, sumOfCell } from "../canonical";
import type { Row } from "../cells";
import type { Question } from "../types";

/** Columns that say what was charged, or what lies between it and what arrives. */
const OTHERS = ["gross", "fee", "fee2", "feeTax", "moneyIn"] as const;

/** What arrives alone says nothing of what was taken off before: whether that is nothing is asked. */
export function netAloneQuestion(reading: Reading, rows: readonly Row[]): Question[] {
  const { cells } = reading;
  if (!cells.has("net") || OTHERS.some((field) => cells.has(field))) return [];
  if (headsUsedAs(reading, "fee").length > 0 || cells.file.answers.gross !== undefined) return [];
  const first = rows.find((row) => (sumOfCell(reading, row, "net") ?? 0) !== 0);
  if (!first) return [];
  const sum = formatAmount(sumOfCell(reading, first, "net") ?? 0, reading.currencyOf(first));
  return [
    {
      key: "gross",
      words: `No column says what was charged: “${cells.head("net")}” says what arrives of it, and a fee may have been taken off before. Choose the column of what was charged, or of the fee, if there is one.`,
      choices: [
        { answer: "net", result: `nothing was taken off: line ${first.line} was charged ${sum}` },
      ],
    },
  ];
}
