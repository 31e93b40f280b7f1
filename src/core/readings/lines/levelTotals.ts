import type { DecimalMark } from "@/core/money";

import type { Cells, Row } from "../cells";
import { sumWithin } from "../sums/sumCells";
import { sumFields } from "../sums/sumFields";
import type { LeftOut } from "../types";

/** More words than these are no levels. */
const MOST_LEVELS = 4;
const MARKS: readonly DecimalMark[] = [".", ","];

/**
 * Lines of batches among the lines of what is in them: a column has a word of their own on each, and
 * their sums are those of the lines that follow, or of those that stand before, up to the next.
 */
export function levelTotals(cells: Cells, rows: readonly Row[]): LeftOut[] {
  if (cells.file.kind !== "processor" && cells.file.kind !== "bank") return [];
  const fields = sumFields(cells).filter((field) => field !== "balance");
  for (const { at } of cells.unread()) {
    const words = [...new Set(rows.map((row) => (row.cells[at] ?? "").trim()))];
    if (words.length < 2 || words.length > MOST_LEVELS || words.includes("")) continue;
    for (const word of words) {
      const isTotal = (row: Row): boolean => (row.cells[at] ?? "").trim() === word;
      const leftOut = (why: "heading" | "total"): LeftOut[] =>
        rows.filter(isTotal).map(({ line }) => ({ line, why }));
      if (areTotals(cells, fields, groupsOf(rows, isTotal))) return leftOut("heading");
      if (areTotals(cells, fields, groupsOf([...rows].reverse(), isTotal))) return leftOut("total");
    }
  }
  return [];
}

type Group = { readonly total: Row | null; readonly lines: Row[] };

/** Lines that begin with a total, up to the next. */
function groupsOf(rows: readonly Row[], isTotal: (row: Row) => boolean): Group[] {
  const groups: Group[] = [];
  for (const row of rows) {
    if (isTotal(row)) groups.push({ total: row, lines: [] });
    else if (groups.length === 0) groups.push({ total: null, lines: [row] });
    else groups.at(-1)?.lines.push(row);
  }
  return groups;
}

/** Whether each group has a total that is what its lines come to, and one of them has several. */
function areTotals(cells: Cells, fields: readonly string[], groups: readonly Group[]): boolean {
  if (!groups.some(({ lines }) => lines.length > 1) || fields.length === 0) return false;
  return MARKS.some((mark) =>
    groups.every(({ total, lines }) => {
      const sum = (row: Row, field: string): number => sumWithin(cells.of(row, field), mark) ?? 0;
      return (
        total !== null &&
        fields.some((field) => sum(total, field) !== 0) &&
        fields.every(
          (field) => sum(total, field) === lines.reduce((all, row) => all + sum(row, field), 0),
        )
      );
    }),
  );
}
