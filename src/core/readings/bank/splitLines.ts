import { formatAmount } from "@/core/money";

import type { Answers, Question } from "../types";
import { plainSum, type StatementRow } from "./statementRow";

/** A line, and those below it that it is made of. */
type Split = { readonly whole: StatementRow; readonly parts: readonly StatementRow[] };

/** More lines than these below one are a list of their own. */
const MOST_PARTS = 50;

/**
 * Lines that come to the sum of the line above them to the cent, of its day, and without a balance where
 * it has one or with its words: a register that splits what it has booked says the parts below it, and
 * counting them too would say it twice.
 */
function splitsIn(lines: readonly StatementRow[]): Split[] {
  const splits: Split[] = [];
  for (let at = 0; at < lines.length; at += 1) {
    const whole = lines[at];
    const parts = whole ? partsBelow(whole, lines.slice(at + 1, at + 1 + MOST_PARTS)) : [];
    if (whole && parts.length > 0) splits.push({ whole, parts });
    at += parts.length;
  }
  return splits;
}

function partsBelow(whole: StatementRow, below: readonly StatementRow[]): StatementRow[] {
  const sum = plainSum(whole) ?? 0;
  let left = sum;
  for (const [at, line] of below.entries()) {
    const part = plainSum(line) ?? 0;
    if (part === 0 || !isLikePart(whole, line)) return [];
    left -= part;
    if (left === 0) return at === 0 ? [] : below.slice(0, at + 1);
  }
  return [];
}

const isLikePart = (whole: StatementRow, line: StatementRow): boolean =>
  line.balance === null &&
  (line.on === null || line.on === whole.on) &&
  (whole.balance !== null || isSameWords(whole.description, line.description));

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
};

/**
 * The parts of a statement's lines. The balances after them prove what they are, where there are any;
 * else it is asked.
 * @param isBroken Whether the balances do not follow on over lines.
 */
export function splitLines(
  lines: readonly StatementRow[],
  answers: Answers,
  isBroken: (lines: readonly StatementRow[]) => boolean,
): SplitLines {
  const splits = splitsIn(lines);
  const [first] = splits;
  const out = new Set(splits.flatMap(({ parts }) => parts.map(({ line }) => line)));
  if (!first || answers.parts === "count") return { out: new Set(), questions: [] };
  const others = lines.filter(({ line }) => !out.has(line));
  if (answers.parts === "leave") return { out, questions: [] };
  if (isBroken(lines) && !isBroken(others)) return { out, questions: [] };
  const isFollowed = splits.every(({ whole, parts }) => isBetween(lines, whole, parts));
  if (isFollowed && !isBroken(lines)) return { out: new Set(), questions: [] };
  const { whole, parts } = first;
  const shown = (line: StatementRow): string => formatAmount(plainSum(line) ?? 0, line.currency);
  return {
    out,
    questions: [
      {
        key: "parts",
        words: `${out.size} lines come to the sum of the line above them (line ${whole.line}: ${shown(whole)} is ${parts.map(shown).slice(0, 4).join(" and ")}${parts.length > 4 ? " and others" : ""}). Are they what it is made of?`,
        choices: [
          { answer: "leave", result: `yes: ${out.size} lines left out, the sum counts once` },
          { answer: "count", result: "no: every line moved money of its own" },
        ],
      },
    ],
  };
}

/** Whether balances stand before and after the parts, and so say whether they count. */
const isBetween = (
  lines: readonly StatementRow[],
  whole: StatementRow,
  parts: readonly StatementRow[],
): boolean =>
  whole.balance !== null &&
  lines.slice(lines.indexOf(whole) + parts.length + 1).some(({ balance }) => balance !== null);
