import { plainWords } from "@/core/formats";

import type { Cells } from "../../cells";

/** What a total of a group is called behind the name of it: `DEP-1 total`. */
const NAMED = /^(.+) (?:total|subtotal|summe|totaal|totale)$/;

const known = new WeakMap<Cells, Map<number, ReadonlySet<string>>>();

/** What other lines say in a column, looked at once. */
function saidUnder(cells: Cells, at: number): ReadonlySet<string> {
  const columns = known.get(cells) ?? new Map<number, ReadonlySet<string>>();
  known.set(cells, columns);
  const before = columns.get(at);
  if (before) return before;
  const said = new Set(
    cells.file.table.rows.map((row) => plainWords((row.cells[at] ?? "").trim())),
  );
  columns.set(at, said);
  return said;
}

/** Whether a cell is the total of what other lines of its column name. */
export function isTotalOfGroup(cells: Cells, cell: string, at: number): boolean {
  const [, group] = NAMED.exec(plainWords(cell)) ?? [];
  return group !== undefined && saidUnder(cells, at).has(group);
}
