import { type Currency, formatAmount, sumOf } from "@/core/money";

import type { Break } from "../bank/bankChain";
import { balanceBroken } from "../bank/bankQuestions";
import type { Stated } from "../bank/statedBalances";
import { brokenBalance, movesOf } from "./processorProofs";
import { type ActivityRow, footsUnder, type SignReading } from "./processorRows";
import type { Answers, Question } from "../types";

/** Sums of activity that do not agree with one another: which of them count, or that they are taken so. */
export function footQuestions(
  rows: readonly ActivityRow[],
  reading: SignReading,
  { answers, stated }: { answers: Answers; stated: Stated },
): Question[] {
  const line = brokenBalance(rows, reading);
  const end = line === null ? brokenEnd(rows, reading, stated) : null;
  const isSaid = answers.balance !== undefined;
  return [
    ...threeQuestion(rows, reading, answers),
    ...(line === null || isSaid ? [] : [balanceQuestion(line)]),
    ...(end === null || isSaid ? [] : [balanceBroken(end, currencyIn(rows))]),
  ];
}

/** What the lines come to between the balances that are stated before and after them; null where one is not. */
const endOf = (
  rows: readonly ActivityRow[],
  reading: SignReading,
  { before, after }: Stated,
): Break | null =>
  before === null || after === null || rows.length === 0
    ? null
    : { line: null, said: after, come: before + sumOf(movesOf(rows, reading), (move) => move) };

const brokenEnd = (
  rows: readonly ActivityRow[],
  reading: SignReading,
  stated: Stated,
): Break | null => {
  const end = endOf(rows, reading, stated);
  return end?.said === end?.come ? null : end;
};

/** That the lines lead from one stated balance to the other. */
export function endProofs(
  rows: readonly ActivityRow[],
  reading: SignReading,
  stated: Stated,
): string[] {
  const end = endOf(rows, reading, stated);
  if (end === null || end.said !== end.come) return [];
  const shown = (sum: number): string => formatAmount(sum, currencyIn(rows));
  return [
    `all ${rows.length} lines lead from the ${shown(stated.before ?? 0)} that the file begins with to the ${shown(end.said)} that it ends with`,
  ];
}

const currencyIn = (rows: readonly ActivityRow[]): Currency =>
  rows[0]?.currency ?? ("USD" as Currency);

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
