import { add, formatAmount, type Minor, ZERO } from "@/core/money";

import { headsUsedAs, isNothing, type Reading, sumOfCell, sumUnderHead } from "../canonical";
import { isAgreed, type Row } from "../cells";
import type { Question } from "../types";
import { sureStanding } from "./documentWords";
import { openByAge } from "./openByAge";
import { openInWords } from "./openInWords";
import { movementOf } from "./runningBalance";

/** A stroke in a column of sums is nothing. */
const STROKE = /^[-–—]{1,3}$/;

const holdsNothing = (cell: string): boolean =>
  cell === "" || (isNothing(cell) && !STROKE.test(cell));

/** What is open of an invoice whose cell for it holds a stroke, or nothing; null where that is not said. */
function openOfEmpty(reading: Reading, row: Row): Minor | null {
  const { cells } = reading;
  if (!cells.has("balance")) return null;
  const cell = cells.of(row, "balance");
  return STROKE.test(cell) || (holdsNothing(cell) && cells.file.answers.openEmpty === "none")
    ? ZERO
    : null;
}

/** What is open of an invoice by its own column, or by the columns of its ages. */
export const statedOpen = (reading: Reading, row: Row): Minor | null =>
  sumOfCell(reading, row, "balance") ??
  openByAge(reading, row) ??
  openInWords(reading, row) ??
  openOfEmpty(reading, row);

/**
 * The same with what is kept back of the invoice for a time, and what is owed on top of it, where columns
 * were said to be that.
 */
export function openWithHeld(reading: Reading, row: Row): Minor | null {
  const stated = statedOpen(reading, row);
  return stated === null
    ? null
    : add(add(stated, sumUsedAs(reading, row, "open")), sumUsedAs(reading, row, "owed"));
}

/** What the columns of a use hold on a line. */
export const sumUsedAs = (reading: Reading, row: Row, use: string): Minor =>
  headsUsedAs(reading, use).reduce(
    (all: Minor, head) => add(all, sumUnderHead(reading, row, head) ?? ZERO),
    ZERO,
  );

/** Invoices that have nothing in the column of what is open, beside others that have. */
export function emptyOpenQuestion(reading: Reading, rows: readonly Row[]): Question[] {
  const { cells } = reading;
  const isSaid = isAgreed(cells) || cells.has("paid") || cells.file.answers.openEmpty !== undefined;
  if (!cells.has("balance") || isSaid) return [];
  const empty = rows.filter((row) => isEmpty(reading, row));
  const [first] = empty;
  if (!first || empty.length === rows.length) return [];
  const sum = formatAmount(movementOf(reading, first) ?? 0, reading.currencyOf(first));
  return [
    {
      key: "openEmpty",
      words: `${empty.length === 1 ? "1 line has" : `${empty.length} lines have`} nothing under “${cells.head("balance")}” (first line ${first.line}). What is open of it?`,
      choices: [
        { answer: "none", result: "nothing" },
        { answer: "total", result: `all of it: line ${first.line} is open with ${sum}` },
      ],
    },
  ];
}

const isEmpty = (reading: Reading, row: Row): boolean =>
  holdsNothing(reading.cells.of(row, "balance")) &&
  sureStanding(reading.cells.of(row, "status")) !== "paid" &&
  (sumOfCell(reading, row, "total") ?? 0) !== 0 &&
  openByAge(reading, row) === null &&
  openInWords(reading, row) === null;
