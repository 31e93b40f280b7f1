import { isDate } from "../../columns/contents";
import type { Cells, Row } from "../../cells";
import { writtenSum } from "../../sums/sumCells";
import { isSumOf } from "./isSumOf";

/** Lines that a total without a name is the sum of, at the least: one alone may be told twice. */
const FEWEST = 2;
/** More lines without a day are no totals. */
const MOST_TRIED = 50;

/**
 * Lines that hold sums and nothing else, each the sum of all lines above it or of those since the
 * last such line: totals that nobody gave a name, as a spreadsheet's sum below its columns.
 */
export function unnamedTotals(
  cells: Cells,
  rows: readonly Row[],
  dayField: string | undefined,
): ReadonlySet<number> {
  if (dayField === undefined || !cells.has(dayField)) return new Set();
  const bare = rows.flatMap((row, at) =>
    cells.of(row, dayField) === "" && holdsSumsAlone(row) ? [{ row, at }] : [],
  );
  if (bare.length > MOST_TRIED) return new Set();
  const totals: { readonly at: number; readonly line: number }[] = [];
  const isTotal = (at: number): boolean => totals.some((total) => total.at === at);
  for (const { row, at } of bare) {
    const from = (totals.at(-1)?.at ?? -1) + 1;
    const above = [rows.slice(from, at), rows.slice(0, at).filter((_, place) => !isTotal(place))];
    if (above.some((lines) => lines.length >= FEWEST && isSumOf(row, lines, filledOf(row))))
      totals.push({ at, line: row.line });
  }
  // Where other lines have no more than sums either, such a line may be one of them.
  return new Set(totals.length === bare.length ? totals.map(({ line }) => line) : []);
}

/** The places of cells that hold something. */
const filledOf = ({ cells }: Row): number[] =>
  [...cells.keys()].filter((at) => (cells[at] ?? "").trim() !== "");

function holdsSumsAlone({ cells }: Row): boolean {
  const filled = cells.map((cell) => cell.trim()).filter((cell) => cell !== "");
  return filled.length > 0 && filled.every((cell) => writtenSum(cell) !== null && !isDate(cell));
}
