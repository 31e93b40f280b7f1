import Papa from "papaparse";

import { fail, ok, type Result } from "@/core/result";

import { factRecords, listAround } from "./sheets";
import { headersOf } from "./headers";
import { recordsOf } from "./table";

/**
 * A cell of a list as it should have come: its line, counted as a table does, and its column. `head`:
 * the line of the head, where it was said (0: it has none).
 */
export type MendedCell = {
  readonly line: number;
  readonly column: string;
  readonly cell: string;
  readonly head?: number | undefined;
};

/**
 * A list with one cell written anew, all else as it came. Errors: those of a table, and mend.cell
 * where there is no such cell below the head.
 */
export function mended(text: string, { line, column, cell, head }: MendedCell): Result<string> {
  const found = recordsOf(text);
  if (!found.ok) return found;
  const { delimiter, records, facts } = found.value;
  const at = head === undefined ? found.value.at : head - 1;
  const headers = headersOf(records.slice(0, listAround(records, at).to), at);
  const [place, record] = [headers.indexOf(column), records[line - 1]];
  if (place < 0 || !record || line - 1 <= at) return fail("mend.cell", { line, column });
  const wide = Array.from({ length: Math.max(record.length, place + 1) }, (_, no) =>
    no === place ? cell : (record[no] ?? ""),
  );
  const rows = [...records.with(line - 1, wide), ...factRecords(facts)];
  return ok(Papa.unparse(rows, { delimiter, newline: "\n" }));
}
