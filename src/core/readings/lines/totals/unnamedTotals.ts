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
    cells.of(row, dayField) === "" && holdsSumsAlone(row, rows[at - 1]) ? [{ row, at }] : [],
  );
  if (bare.length > MOST_TRIED) return new Set();
  const totals: { readonly at: number; readonly line: number }[] = [];
  const isTotal = (at: number): boolean => totals.some((total) => total.at === at);
  for (const { row, at } of bare) {
    const from = (totals.at(-1)?.at ?? -1) + 1;
    const above = [rows.slice(from, at), rows.slice(0, at).filter((_, place) => !isTotal(place))];
    if (above.some((lines) => lines.length >= FEWEST && isSumOf(row, lines, sumsOf(row))))
      totals.push({ at, line: row.line });
  }
  // Where other lines have no more than sums either, such a line may be one of them.
  return new Set(totals.length === bare.length ? totals.map(({ line }) => line) : []);
}

const isSum = (cell: string): boolean => writtenSum(cell) !== null && !isDate(cell);

/** The places of cells that hold sums. */
const sumsOf = ({ cells }: Row): number[] =>
  [...cells.keys()].filter((at) => isSum((cells[at] ?? "").trim()));

/** Sums that a total beside what all lines say has, at the least: one may be anything. */
const FEWEST_BESIDE = 2;

/** Whether a line holds sums, and beside several of them only what the line above says too, as its batch. */
function holdsSumsAlone({ cells }: Row, above: Row | undefined): boolean {
  const filled = cells.flatMap((cell, at) =>
    cell.trim() === "" ? [] : [{ cell: cell.trim(), at }],
  );
  const others = filled.filter(({ cell }) => !isSum(cell));
  const sums = filled.length - others.length;
  return (
    sums >= (others.length === 0 ? 1 : FEWEST_BESIDE) &&
    others.every(({ cell, at }) => cell === (above?.cells[at] ?? "").trim())
  );
}
