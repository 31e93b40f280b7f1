import { formatAmount, sumOf } from "@/core/money";

import { type Reading, sumOfCell } from "./canonical";
import type { Row } from "./cells";

/** The fields that a line's sum stands in, of activity or of a statement. */
const SUMS = ["gross", "net", "amount", "moneyIn", "moneyOut"];

/** How many lines, and what they come to. */
export function totalWords(reading: Reading, lines: readonly Row[]): string {
  const sums = lines.map(
    (row) =>
      SUMS.map((field) => sumOfCell(reading, row, field)).find(
        (sum) => sum !== null && sum !== 0,
      ) ?? 0,
  );
  const [first] = lines;
  const total = sumOf(sums, (sum) => sum);
  return `${lines.length} of ${first ? formatAmount(total, reading.currencyOf(first)) : "0"} together`;
}
