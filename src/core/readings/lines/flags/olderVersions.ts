import { plainWords } from "@/core/formats";

import { type Cells, type Row } from "../../cells";
import { groupedBy } from "../../grouped";

/** Heads of how often a line was told, or tried (common practice, no source). */
const VERSION =
  /^(?:version|revision|rev|attempts?|attempt (?:no|nr|number|count)|tries|try|retry|retries|retry count)$/;

type Column = { readonly head: string; readonly at: number };

/**
 * Lines of which a later version, or another attempt, stands in the file too: by their id, their number or
 * what they refer to. Null where the column tells of none.
 */
export function olderVersions(
  cells: Cells,
  rows: readonly Row[],
  { head, at }: Column,
): ReadonlySet<number> | null {
  if (!VERSION.test(plainWords(head))) return null;
  const nameOf = (row: Row): string | null =>
    ["id", "number", "reference"]
      .map((field) => cells.of(row, field))
      .find((name) => name !== "") ?? null;
  const older = [...groupedBy(rows, nameOf).values()].flatMap((group) => {
    const versions = group.map((row) => versionIn((row.cells[at] ?? "").trim()));
    const last = Math.max(...versions);
    return group.filter((_, nth) => (versions[nth] ?? 0) < last);
  });
  return older.length === 0 ? null : new Set(older.map(({ line }) => line));
}

/** `2`, `v2`, `2 of 3`; 0 where there is none. */
const versionIn = (cell: string): number => Number(/^\D{0,10}(\d{1,4})/.exec(cell)?.[1] ?? 0);
