import { plainWords } from "@/core/formats";
import { formatAmount } from "@/core/money";

import { type Reading, sumOfCell } from "../canonical";
import type { Row } from "../cells";
import type { Question } from "../types";

const MAYBE = /pending|not yet/i;
const PENDING = /^pending\b|\bpending$|\bnot yet (?:posted|booked)\b/;

/** Whether a line says in its words that it is on its way, where no column of states says it. */
const saysPending = ({ cells }: Reading, row: Row): boolean =>
  !cells.has("status") &&
  MAYBE.test(cells.of(row, "description")) &&
  PENDING.test(plainWords(cells.of(row, "description")));

/** Lines that were said to be on their way by their words. */
export const isOnItsWay = (reading: Reading, row: Row): boolean =>
  saysPending(reading, row) && reading.cells.file.answers.pending !== "booked";

/** What is asked of lines for what they say: whether they are booked, and which way a side goes. */
export function wordedQuestions(reading: Reading, rows: readonly Row[]): Question[] {
  const { answers } = reading.cells.file;
  const pending = rows.filter((row) => saysPending(reading, row));
  const [first] = pending;
  return [
    ...(first && answers.pending === undefined
      ? [pendingQuestion(reading, first, pending.length)]
      : []),
    ...(answers.sides === undefined ? sidesQuestions(reading, rows) : []),
  ];
}

const pendingQuestion = ({ cells }: Reading, row: Row, count: number): Question => ({
  key: "pending",
  words: `${count === 1 ? "1 line says" : `${count} lines say`} “pending” in its words (line ${row.line}: ${cells.of(row, "description").slice(0, 40)}). Is that booked?`,
  choices: [
    { answer: "not_yet", result: `no: ${count} left out until they come as booked` },
    { answer: "booked", result: `yes: ${count} taken in` },
  ],
});

/** A side of a statement whose sums have both signs: sizes, or what came back on that side. */
function sidesQuestions(reading: Reading, rows: readonly Row[]): Question[] {
  const side = ["moneyOut", "moneyIn"].find((field) => isMixed(reading, rows, field));
  if (side === undefined || reading.cells.has("balance")) return [];
  const odd = rows.find((row) => isOdd(reading, rows, { row, field: side }));
  if (!odd) return [];
  const sum = formatAmount(Math.abs(sumOfCell(reading, odd, side) ?? 0), reading.currencyOf(odd));
  const [same, other] = side === "moneyOut" ? ["went out", "came back"] : ["came in", "went back"];
  return [
    {
      key: "sides",
      words: `“${reading.cells.head(side)}” has sums with and without a minus, and no balance says what that means (line ${odd.line}).`,
      choices: [
        { answer: "signed", result: `line ${odd.line}: ${sum} ${other}` },
        { answer: "sizes", result: `line ${odd.line}: ${sum} ${same}, as all of its side` },
      ],
    },
  ];
}

const signsOf = (reading: Reading, rows: readonly Row[], field: string): number[] =>
  rows.map((row) => Math.sign(sumOfCell(reading, row, field) ?? 0)).filter((sign) => sign !== 0);

function isMixed(reading: Reading, rows: readonly Row[], field: string): boolean {
  const signs = new Set(signsOf(reading, rows, field));
  return signs.has(1) && signs.has(-1);
}

/** The sign that most sums of a side have; of as many of both that of the first. */
function usualSign(reading: Reading, rows: readonly Row[], field: string): number {
  const signs = signsOf(reading, rows, field);
  return Math.sign(signs.reduce((sum, sign) => sum + sign, 0)) || (signs[0] ?? 1);
}

const isOdd = (
  reading: Reading,
  rows: readonly Row[],
  { row, field }: { row: Row; field: string },
): boolean => Math.sign(sumOfCell(reading, row, field) ?? 0) === -usualSign(reading, rows, field);

/** Lines of a side of both signs that go the other way, where it was said that the signs mean that. */
export function turnedLines(reading: Reading, rows: readonly Row[]): ReadonlySet<number> {
  if (reading.cells.file.answers.sides !== "signed") return new Set();
  const lines = ["moneyOut", "moneyIn"].flatMap((field) =>
    isMixed(reading, rows, field)
      ? rows.filter((row) => isOdd(reading, rows, { row, field })).map(({ line }) => line)
      : [],
  );
  return new Set(lines);
}
