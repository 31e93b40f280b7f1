import { currencyOf, formatAmount } from "@/core/money";

import { type Reading, sumOfCell } from "../canonical";
import type { Row } from "../cells";
import { isSettledHead } from "../columns/foreignColumns";
import type { Question } from "../types";

/**
 * A charge in another currency beside what it came to where it is settled, with a fee and no net that
 * would say which of the two the fee is in: asked.
 */
export function settledFeeQuestion(reading: Reading, rows: readonly Row[]): Question[] {
  const { cells } = reading;
  const isOpen = isSettledHead(cells.head("gross")) && cells.has("fee") && !cells.has("net");
  if (!isOpen || cells.file.answers.settled !== undefined) return [];
  const charged = cells.unread().flatMap(({ at }) => {
    const line = rows.find((row) => {
      const code = currencyOf((row.cells[at] ?? "").trim().toUpperCase());
      return code !== undefined && code !== reading.currencyOf(row) && feeOf(reading, row) !== 0;
    });
    return line === undefined ? [] : [{ line, code: (line.cells[at] ?? "").trim().toUpperCase() }];
  });
  const [found] = charged;
  if (!found) return [];
  const { line, code } = found;
  const settled = reading.currencyOf(line);
  const came = formatAmount(sumOfCell(reading, line, "gross") ?? 0, settled);
  const fee = formatAmount(feeOf(reading, line), settled);
  return [
    {
      key: "settled",
      words: `Line ${line.line} was charged in ${code} and came to ${settled} ${came}. Nothing says which of the two its fee of ${fee} is in. Choose the other columns if it is ${code}.`,
      choices: [{ answer: "settled", result: `${settled}, as what it came to` }],
    },
  ];
}

const feeOf = (reading: Reading, row: Row): number => Math.abs(sumOfCell(reading, row, "fee") ?? 0);
