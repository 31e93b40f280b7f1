import { formatAmount } from "@/core/money";

import { brokenBalance } from "./processorProofs";
import { type ActivityRow, footsUnder, type SignReading } from "./processorRows";
import type { Answers, Question } from "../types";

/** Sums of activity that do not agree with one another: which of them count, or that they are taken so. */
export function footQuestions(
  rows: readonly ActivityRow[],
  reading: SignReading,
  answers: Answers,
): Question[] {
  const line = brokenBalance(rows, reading);
  return [
    ...threeQuestion(rows, reading, answers),
    ...(line === null || answers.balance !== undefined ? [] : [balanceQuestion(line)]),
  ];
}

function threeQuestion(
  rows: readonly ActivityRow[],
  reading: SignReading,
  answers: Answers,
): Question[] {
  const off = rows.filter((row) => footsUnder(row, reading) === false);
  const [first] = off;
  if (!first || answers.foot !== undefined) return [];
  const shown = (sum: number | null): string => formatAmount(sum ?? 0, first.currency);
  const between = Math.abs((first.gross ?? 0) - (first.net ?? 0));
  return [
    {
      key: "foot",
      words: `Gross less fee is not net on ${off.length === 1 ? "1 line" : `${off.length} lines`} (line ${first.line}: ${shown(first.gross)}, ${shown(first.fee)}, ${shown(first.net)}). Which are right?`,
      choices: [
        { answer: "net", result: `gross and net: line ${first.line} costs ${shown(between)}` },
        {
          answer: "fee",
          result: `gross and fee: line ${first.line} costs ${shown(Math.abs(first.fee ?? 0))}`,
        },
      ],
    },
  ];
}

const balanceQuestion = (line: number): Question => ({
  key: "balance",
  words: `The balance of line ${line} does not follow from the line before it: a line may be missing.`,
  choices: [{ answer: "take", result: "take the lines in as they stand" }],
});

/** Lines with the fee that lies between gross and net, where it was said that those two are right. */
export const byNet = <T extends { readonly activity: ActivityRow }>(
  lines: readonly T[],
  answers: Answers,
): readonly T[] =>
  answers.foot === "net"
    ? lines.map((line) => ({ ...line, activity: withoutFee(line.activity) }))
    : lines;

const withoutFee = (row: ActivityRow): ActivityRow =>
  row.gross !== null && row.net !== null ? { ...row, fee: null } : row;
