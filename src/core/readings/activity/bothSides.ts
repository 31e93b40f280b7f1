import { formatAmount, type Minor, minor } from "@/core/money";

import { type Reading, sumOfCell } from "../canonical";
import type { Row } from "../cells";
import type { Question } from "../types";

const sidesOf = (reading: Reading, row: Row): readonly [Minor | null, Minor | null] => [
  sumOfCell(reading, row, "moneyIn"),
  sumOfCell(reading, row, "moneyOut"),
];

/**
 * What a line moved by its columns of money in and out, and what it cost, where it was said that what
 * goes out beside what comes in is its fee; null where neither column holds a sum.
 */
export function movedIn(reading: Reading, row: Row): readonly [Minor | null, Minor | null] {
  const [moneyIn, moneyOut] = sidesOf(reading, row);
  if (moneyIn === null && moneyOut === null) return [null, null];
  const [came, went] = [Math.abs(moneyIn ?? 0), Math.abs(moneyOut ?? 0)];
  const isFee = reading.cells.file.answers.both === "fee" && came !== 0 && went !== 0;
  return isFee ? [minor(came), minor(went)] : [minor(came - went), null];
}

/** A line with money in and money out: its fee, or two sums of which the rest counts. */
export function bothSidesQuestion(reading: Reading, rows: readonly Row[]): Question[] {
  if (reading.cells.has("gross") || reading.cells.file.answers.both !== undefined) return [];
  const both = rows.find((row) => sidesOf(reading, row).every((sum) => sum !== null && sum !== 0));
  if (!both) return [];
  const [came = 0, went = 0] = sidesOf(reading, both).map((sum) => Math.abs(sum ?? 0));
  const shown = (sum: number): string => formatAmount(sum, reading.currencyOf(both));
  return [
    {
      key: "both",
      words: `Line ${both.line} has ${shown(came)} in and ${shown(went)} out. Is what goes out its fee?`,
      choices: [
        { answer: "fee", result: `yes: it brings ${shown(came)} and costs ${shown(went)}` },
        { answer: "net", result: `no: it moves ${shown(came - went)} and costs nothing` },
      ],
    },
  ];
}
