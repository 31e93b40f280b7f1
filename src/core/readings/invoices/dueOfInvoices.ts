import { dueDay, formatDay, parseTerms } from "@/core/calendar";

import { type Reading, sumOfCell } from "../canonical";
import { isAgreed, type Row } from "../cells";
import { dayUnder } from "../days/dayUnder";
import { BY_LATENESS, dueByLateness, sayLateness } from "./dueByLateness";
import { sureKindOf } from "./documentWords";
import type { Question } from "../types";
import { writtenDay } from "../days/writtenDay";

/** Terms that are offered where a list says none; others may be answered too. */
export const OFFERED = ["n/30", "n/14"] as const;
export const AT_ISSUE = "issue";

/** What is owed to the customer is due by no terms. */
const isCredit = (reading: Reading, row: Row): boolean =>
  sureKindOf(reading.cells.of(row, "type")) === "credit" ||
  (sumOfCell(reading, row, "total") ?? sumOfCell(reading, row, "balance") ?? 1) <= 0;

const saysNothing = (reading: Reading, row: Row): boolean =>
  ["dueOn", "terms"].every((field) => reading.cells.of(row, field) === "") &&
  !isCredit(reading, row);

/** The terms of a line that says none, as they were answered; empty where it is due at its issue. */
export function termsSaid(reading: Reading, row: Row): string {
  const { due = AT_ISSUE } = reading.cells.file.answers;
  return due === AT_ISSUE || !parseTerms(due).ok || !saysNothing(reading, row) ? "" : due;
}

/** When a line that says nothing is due, by how late it is, where that was said. */
export function lateSaid(reading: Reading, row: Row): Record<string, string> {
  if (reading.cells.file.answers.due !== BY_LATENESS || !saysNothing(reading, row)) return {};
  const found = dueByLateness(reading, row);
  if (!found) return {};
  return { dueOn: found.due, ...(found.issued ? { issuedOn: found.issued } : {}) };
}

/** When invoices are due of which nothing says it: a reminder hangs on that. */
export function dueQuestion(reading: Reading, rows: readonly Row[]): Question[] {
  const { today } = reading;
  // In the agreed layout an invoice that says neither is due on the day of its issue.
  const open = isAgreed(reading.cells) ? [] : rows.filter((row) => saysNothing(reading, row));
  const [first] = open;
  if (!first || reading.cells.file.answers.due !== undefined) return [];
  const written = writtenDay(reading.cells.of(first, "issuedOn"));
  const issued = written && dayUnder(written, reading.daysOf("issuedOn"));
  const on = (terms: string): string => {
    const read = parseTerms(terms);
    return issued && read.ok ? formatDay(dueDay(issued, read.value), today) : "no day";
  };
  const line = `line ${first.line}`;
  const late = sayLateness(reading, open) ? dueByLateness(reading, first) : null;
  return [
    {
      key: "due",
      words: `Nothing says when ${open.length === 1 ? "1 invoice is" : `${open.length} invoices are`} due (first ${line}).`,
      choices: [
        ...(late
          ? [
              {
                answer: BY_LATENESS,
                result: `as many days ago as it is late: ${line} on ${formatDay(late.due, today)}`,
              },
            ]
          : []),
        ...OFFERED.map((terms) => ({
          answer: terms,
          result: `by ${terms}: ${line} on ${on(terms)}`,
        })),
        {
          answer: AT_ISSUE,
          result: `on the day of issue: ${line} on ${issued ? formatDay(issued, today) : "no day"}`,
        },
      ],
    },
  ];
}
