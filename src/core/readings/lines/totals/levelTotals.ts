import { plainWords } from "@/core/formats";

import type { Cells, Row } from "../../cells";
import { sumFields } from "../../sums/sumFields";
import type { LeftOut } from "../../types";
import { isSumOf } from "./isSumOf";

/** More words than these are no levels. */
const MOST_LEVELS = 4;

/** Groups whose sums agree by chance no more, where no word says that they are any. */
const ENOUGH = 4;
/** Words of what stands for several lines (common practice, no source). */
const LEVEL =
  /\b(?:batch|total|sum|summary|header|level|group|deposit|settlement|payout|parent|master|day)\b/;
const isLevel = (word: string): boolean => LEVEL.test(plainWords(word));

/**
 * Lines of batches among the lines of what is in them: a column has a word of their own on each, and
 * their sums are those of the lines that follow, or of those that stand before, up to the next.
 */
export function levelTotals(cells: Cells, rows: readonly Row[]): LeftOut[] {
  if (cells.file.kind !== "processor" && cells.file.kind !== "bank") return [];
  const places = sumFields(cells)
    .filter((field) => field !== "balance")
    .map((field) => cells.file.table.headers.indexOf(cells.head(field)));
  for (const { at } of cells.unread()) {
    const words = [...new Set(rows.map((row) => (row.cells[at] ?? "").trim()))];
    if (words.length < 2 || words.length > MOST_LEVELS || words.includes("")) continue;
    for (const word of words) {
      const isTotal = (row: Row): boolean => (row.cells[at] ?? "").trim() === word;
      const leftOut = (why: "heading" | "total"): LeftOut[] =>
        rows.filter(isTotal).map(({ line }) => ({ line, why }));
      const first = groupsOf(rows, isTotal);
      if (!isLevel(word) && first.length < ENOUGH) continue;
      if (areTotals(first, places)) return leftOut("heading");
      if (areTotals(groupsOf([...rows].reverse(), isTotal), places)) return leftOut("total");
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
const areTotals = (groups: readonly Group[], places: readonly number[]): boolean =>
  groups.some(({ lines }) => lines.length > 1) &&
  groups.every(
    ({ total, lines }) =>
      total !== null && !isNothing(total, places) && isSumOf(total, lines, places),
  );

const isNothing = ({ cells }: Row, places: readonly number[]): boolean =>
  places.every((at) => !/[1-9]/.test(cells[at] ?? ""));
