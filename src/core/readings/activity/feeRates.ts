import { formatAmount, type Minor, minor } from "@/core/money";

import { headsUsedAs, type Reading, sumOfCell } from "../canonical";
import type { Row } from "../cells";
import { isCost } from "../sums/costHeads";
import type { Question } from "../types";

/** A rate with its sign: `2.9%`, `2,9 %`. */
const RATE = /^(\d{1,2}(?:[.,]\d{1,4})?) ?%$/;

/**
 * Where no column says what a payment costs, and one that is called a fee holds rates: without a word
 * the fees would be lost.
 */
export function feeRateQuestion(reading: Reading, rows: readonly Row[]): Question[] {
  const { cells } = reading;
  if (["fee", "fee2", "net"].some((field) => cells.has(field))) return [];
  return cells.unread().flatMap(({ head, at }) => {
    const isRates = isCost(head) && rows.some((row) => RATE.test((row.cells[at] ?? "").trim()));
    if (!isRates || cells.file.answers[`column:${head}`] !== undefined) return [];
    const first = rows.find((row) => costBy(reading, row, at) !== 0);
    if (!first) return [];
    const shown = formatAmount(costBy(reading, first, at), reading.currencyOf(first));
    return [
      {
        key: `column:${head}`,
        words: `“${head}” holds rates (line ${first.line}: ${(first.cells[at] ?? "").trim()}), and no column says what a payment costs.`,
        choices: [
          {
            answer: "rate",
            result: `the fee is that part of each sum: ${shown} on line ${first.line}`,
          },
          { answer: "leave", result: "no fee is taken in: it comes another way" },
        ],
      },
    ];
  });
}

/** The fee of a line by the rates that were said to be its fee; null where none were. */
export function feeByRate(reading: Reading, row: Row): Minor | null {
  const [head] = headsUsedAs(reading, "rate");
  if (head === undefined) return null;
  return costBy(reading, row, reading.cells.file.table.headers.indexOf(head));
}

/** A part of the sum of a line, rounded half up to the currency. */
function costBy(reading: Reading, row: Row, at: number): Minor {
  const [, rate] = RATE.exec((row.cells[at] ?? "").trim()) ?? [];
  const gross = sumOfCell(reading, row, "gross") ?? 0;
  return minor(rate === undefined ? 0 : Math.round((gross * Number(rate.replace(",", "."))) / 100));
}
