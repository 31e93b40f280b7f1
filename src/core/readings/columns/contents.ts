import type { Table } from "@/core/formats";

import { writtenSum } from "../sums/sumCells";
import { writtenDay } from "../days/writtenDay";

/** Rows that the contents of a column are told by. */
export const MOST_LOOKED_AT = 500;

/** The filled cells of a column, by its head. */
export type Contents = (head: string) => readonly string[];

/** The filled cells of each column, of the first rows. */
export function contentsOf({ headers, rows }: Table): Contents {
  const looked = rows.slice(0, MOST_LOOKED_AT);
  const known = new Map<string, string[]>();
  return (head) => {
    const before = known.get(head);
    if (before) return before;
    const at = headers.indexOf(head);
    const cells = looked.map((row) => (row.cells[at] ?? "").trim());
    const filled = cells.filter((cell) => cell !== "");
    known.set(head, filled);
    return filled;
  };
}

/** Whether a cell is a day by itself, and no number of days or seconds, or of six digits. */
export const isDate = (cell: string): boolean => {
  const day = writtenDay(cell);
  return day !== null && day.serial === null && day.epoch === null && !/^\d{6}$/.test(cell);
};
export const isSum = (cell: string): boolean =>
  writtenSum(cell) !== null && (!isDate(cell) || /^\d{8}$/.test(cell));

/** Whether most lines have something in a column: a code beside some of them makes no list of returns. */
export function isOnMost({ headers, rows }: Table, head: string | undefined): boolean {
  const at = headers.indexOf(head ?? "");
  const looked = rows.slice(0, MOST_LOOKED_AT);
  return looked.filter(({ cells }) => (cells[at] ?? "").trim() !== "").length * 2 > looked.length;
}
