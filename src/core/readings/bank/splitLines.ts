import { formatAmount } from "@/core/money";

import { splitQuestion, splitsIn, type Split } from "../lines/parts/splits";
import type { Answers, Question } from "../types";
import { plainSum, type StatementRow } from "./statementRow";

/** Words of what a bank or a register books as one. */
const AS_ONE = /\b(?:total|deposit|lockbox|batch|split)\b/i;

/**
 * Whether a line can be a part of one above it: of its day, and without a balance of its own where that
 * has one, or with its words, or below what is booked as one.
 */
const isLikePart = (whole: StatementRow, line: StatementRow): boolean =>
  (line.balance === null || line.balance === whole.balance) &&
  (line.on === null || line.on === whole.on) &&
  (whole.balance !== null ||
    AS_ONE.test(whole.description) ||
    isSameWords(whole.description, line.description));

/** Whether all words of one stand in the other. */
function isSameWords(one: string, other: string): boolean {
  const [a, b] = [one, other].map((text) => text.trim().toLowerCase().split(/\s+/)) as [
    string[],
    string[],
  ];
  return a.every((word) => b.includes(word)) || b.every((word) => a.includes(word));
}

export type SplitLines = {
  /** Lines that are parts of others, and count no more. */
  readonly out: ReadonlySet<number>;
  readonly questions: readonly Question[];
  readonly proofs: readonly string[];
};

/**
 * The parts of a statement's lines: a register that splits what it has booked says them below it, and
 * counting them too would say it twice. The balances after them prove what they are, where there are
 * any; else it is asked.
 * @param isBroken Whether the balances do not follow on over lines.
 */
export function splitLines(
  lines: readonly StatementRow[],
  answers: Answers,
  isBroken: (lines: readonly StatementRow[]) => boolean,
): SplitLines {
  const splits = splitsIn(lines, (line) => plainSum(line) ?? 0, isLikePart);
  const all: SplitLines = { out: new Set(), questions: [], proofs: [] };
  if (splits.length === 0 || answers.split === "count") return all;
  const out = new Set(splits.flatMap(({ parts }) => parts.map(({ line }) => line)));
  const isOut = isBroken(lines) && !isBroken(lines.filter(({ line }) => !out.has(line)));
  if (answers.split === "leave" || isOut)
    return { ...all, out, proofs: isOut ? [provenWords(out.size)] : [] };
  if (!isBroken(lines) && splits.every((split) => isBetween(lines, split))) return all;
  const shown = (line: StatementRow): string => formatAmount(plainSum(line) ?? 0, line.currency);
  return { ...all, out, questions: splitQuestion(splits, shown) };
}

const provenWords = (count: number): string =>
  `by the balances, ${count} lines say what the line above them is made of`;

/** Whether balances stand before and after the parts, and so say whether they count. */
const isBetween = (
  lines: readonly StatementRow[],
  { whole, parts }: Split<StatementRow>,
): boolean =>
  whole.balance !== null &&
  lines.slice(lines.indexOf(whole) + parts.length + 1).some(({ balance }) => balance !== null);
