import { formatAmount, type Minor, sumOf } from "@/core/money";

import { type Reading, sumOfCell } from "../canonical";
import type { Row } from "../cells";
import { sureKindOf } from "../invoices/documentWords";
import type { Question } from "../types";
import { linesOfPayments } from "./payments";

type Credits = {
  /** Lines whose sum lowers what was paid, though it stands without a sign. */
  readonly lines: ReadonlySet<number>;
  readonly questions: readonly Question[];
};
const NONE: Credits = { lines: new Set(), questions: [] };

/**
 * Credit notes of an advice that stand without a sign: a column of types names them. They lower the
 * payment where its total says so; where nothing does, it is asked.
 */
export function creditsIn(reading: Reading, rows: readonly Row[]): Credits {
  const { answers } = reading.cells.file;
  const sum = (row: Row): Minor => sumOfCell(reading, row, "amount") ?? (0 as Minor);
  const found = creditRows(reading, rows);
  // Where invoices stand below zero, as their payer writes them, each sum has its sign.
  const isSigned = rows.some((row) => sum(row) < 0 && !found.includes(row));
  const unsigned = isSigned ? [] : found.filter((row) => sum(row) > 0);
  const [first] = unsigned;
  if (!first) return NONE;
  const lines = new Set(unsigned.map(({ line }) => line));
  const lowers = answers.credits ?? (footsOff(reading, rows, lines) ? "off" : undefined);
  if (lowers !== undefined) return lowers === "off" ? { lines, questions: [] } : NONE;
  const shown = formatAmount(sum(first), reading.currencyOf(first));
  const count = lines.size === 1 ? "1 line is a credit" : `${lines.size} lines are credits`;
  return {
    lines,
    questions: [
      {
        key: "credits",
        words: `${count} without a sign (line ${first.line}: ${shown}). Do they lower what was paid?`,
        choices: [
          { answer: "off", result: `yes: line ${first.line} takes ${shown} off` },
          { answer: "on", result: `no: ${shown} was paid of it` },
        ],
      },
    ],
  };
}

/** Lines that a column of types, which no field has taken, calls a credit; else those whose number does. */
function creditRows({ cells }: Reading, rows: readonly Row[]): Row[] {
  for (const { at } of cells.unread()) {
    const words = rows.map((row) => (row.cells[at] ?? "").trim());
    if (words.every((word) => sureKindOf(word) !== null))
      return rows.filter((_, place) => sureKindOf(words[place] ?? "") === "credit");
    const credits = rows.filter((_, place) => sureKindOf(words[place] ?? "") === "credit");
    const isType = new Set(words).size <= MOST_TYPES && !words.includes("");
    if (isType && credits.length > 0 && credits.length < rows.length) return credits;
  }
  return rows.filter((row) => CREDIT_NUMBER.test(cells.of(row, "number")));
}

/** More words than these are no types. */
const MOST_TYPES = 8;
const CREDIT_NUMBER = /^(?:cn|cm|crn|credit|gs|av)[-_ #/]?\d/i;

/** Whether the lines come to each payment only if credits are taken off. */
function footsOff(reading: Reading, rows: readonly Row[], credits: ReadonlySet<number>): boolean {
  if (!reading.cells.has("total")) return false;
  return linesOfPayments(reading, rows).every((lines) => {
    const signed = sumOf(lines, (row) => {
      const sum = sumOfCell(reading, row, "amount") ?? 0;
      return (credits.has(row.line) ? -Math.abs(sum) : sum) as Minor;
    });
    const [row] = lines;
    return row !== undefined && sumOfCell(reading, row, "total") === signed;
  });
}
