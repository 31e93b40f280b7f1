import type { Table } from "@/core/formats";

import { some } from "../cells";
import { monthOf } from "./months";
import { spanAbove } from "./ownSpan";
import { MAIN_DAY } from "../lines/rowsLeftOut";
import type { Question, ReadingContext, Unread } from "../types";
import { type WrittenDay, writtenDay } from "./writtenDay";

const IN_WORDS = /^(?:\d{1,2}\.?[ -]\p{L}{3,12}\.?|\p{L}{3,12}\.?[ -]\d{1,2})$/u;
const IN_NUMBERS = /^(\d{1,2})([./-])(\d{1,2})\.?$/;

const isYearless = (cell: string): boolean =>
  ((IN_WORDS.test(cell) && monthIn(cell) !== null) || IN_NUMBERS.test(cell)) &&
  writtenDay(cell) === null;

/** The month that a cell names in words. */
const monthIn = (cell: string): number | null =>
  cell
    .split(/[\s.-]+/)
    .map(monthOf)
    .find((month) => month !== null) ?? null;

/**
 * Days that are written without their year (`02 Nov`): it comes from the span that the file says above
 * its list, else it is asked.
 */
export function withYears(
  file: Unread,
  { today }: ReadingContext,
): { table: Table; questions: Question[] } {
  const { table, columns, kind, answers } = file;
  const at = table.headers.indexOf(columns[MAIN_DAY[kind] ?? ""] ?? "");
  const cells = at < 0 ? [] : table.rows.map((row) => (row.cells[at] ?? "").trim());
  const open = cells.filter(isYearless);
  if (open.length === 0) return { table, questions: [] };
  const thisYear = Number(today.slice(0, 4));
  const said = /^20\d\d$/.test(answers.year ?? "") ? Number(answers.year) : null;
  const yearOf = said === null ? yearAbove(table) : (): number => said;
  const rows = table.rows.map((row) => {
    const cell = (row.cells[at] ?? "").trim();
    return isYearless(cell)
      ? { ...row, cells: row.cells.with(at, withYear(cell, yearOf?.(cell) ?? thisYear)) }
      : row;
  });
  const isOpen = yearOf === null || open.some((cell) => yearOf(cell) === null);
  return { table: { ...table, rows }, questions: isOpen ? [yearQuestion(open, thisYear)] : [] };
}

function withYear(cell: string, year: number): string {
  const [, first, mark, second] = IN_NUMBERS.exec(cell) ?? [];
  return first === undefined ? `${cell} ${year}` : `${first}${mark}${second}${mark}${year}`;
}

/** The year that a day is of by the span above the list; null where that leaves it open. */
function yearAbove(table: Table): ((cell: string) => number | null) | null {
  const span = spanAbove(table);
  const [from, to] = span?.map(yearIn) ?? [];
  if (from === undefined || to === undefined || from === null || to === null) return null;
  if (from === to) return () => from;
  const last = span?.[1].fixed?.[1];
  if (to !== from + 1 || last === undefined) return null;
  return (cell) => {
    const month = monthIn(cell);
    if (month === null) return null;
    return month > last ? from : to;
  };
}

const yearIn = ({ fixed, open, yearLast }: WrittenDay): number | null =>
  fixed?.[0] ?? (yearLast ? (open?.[2] ?? null) : null);

const yearQuestion = (open: readonly string[], year: number): Question => ({
  key: "year",
  words: `${some(open)} are written without a year. Which is it?`,
  choices: [year, year - 1].map((choice) => ({
    answer: String(choice),
    result: `${withYear(open[0] ?? "", choice)} and all others like it`,
  })),
});
