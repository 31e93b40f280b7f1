import type { Cells, Row } from "../../cells";

/** The names of the lines of a list: each of its columns asks for them. */
const known = new WeakMap<readonly Row[], ReadonlySet<string>>();

/**
 * Whether a cell names another line of a list of payments that has no column of kinds: a payment that
 * refers to a payment may give it back. Null where no cell does, or where every line names one, as then
 * the column is one of accounts, batches or orders.
 */
export function linkTest(
  cells: Cells,
  rows: readonly Row[],
  at: number,
): ((cell: string, row: Row) => boolean) | null {
  if (cells.file.kind !== "processor" || cells.has("kind")) return null;
  const nameOf = (row: Row): string => cells.of(row, "id") || cells.of(row, "reference");
  const ids = known.get(rows) ?? new Set(rows.map(nameOf).filter((id) => id !== ""));
  known.set(rows, ids);
  const names = (cell: string, row: Row): boolean => ids.has(cell) && cell !== nameOf(row);
  const linked = rows.filter((row) => names((row.cells[at] ?? "").trim(), row));
  return linked.length === 0 || linked.length === rows.length ? null : names;
}
