import { formatAmount } from "@/core/money";

import { type Reading, sumOfCell } from "../canonical";
import type { Row } from "../cells";
import type { Question } from "../types";

/** A line with money in and money out: what moved on a day, or in an account, and no line of a statement. */
export function severalMoved(reading: Reading, rows: readonly Row[]): Question[] {
  if (reading.cells.has("amount") || reading.cells.file.answers.both !== undefined) return [];
  const sumsOf = (row: Row): number[] =>
    ["moneyIn", "moneyOut"].map((field) => Math.abs(sumOfCell(reading, row, field) ?? 0));
  const both = rows.filter((row) => sumsOf(row).every((sum) => sum !== 0));
  const [first] = both;
  if (!first) return [];
  const [came = 0, went = 0] = sumsOf(first);
  const shown = (sum: number): string => formatAmount(sum, reading.currencyOf(first));
  return [
    {
      key: "both",
      words: `${both.length === 1 ? "1 line has" : `${both.length} lines have`} money in and money out (line ${first.line}: ${shown(came)} and ${shown(went)}): each stands for several movements. A statement with every movement is needed to match them.`,
      choices: [
        {
          answer: "net",
          result: `what is left of each: ${shown(came - went)} on line ${first.line}`,
        },
      ],
    },
  ];
}
