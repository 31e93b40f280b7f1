import type { Refusal } from "@/core/formats";

import type { Cells, Row } from "../cells";
import { sumFields } from "../sums/sumFields";

/**
 * Rows in which a mark of thousands without quotes has parted a sum in two (`1,234.00` as `1` and
 * `234.00`), or that have more cells than the head: they stay out, as every cell behind is one too far.
 */
export function shiftedRows(cells: Cells, rows: readonly Row[]): Refusal[] {
  const { headers } = cells.file.table;
  const places = sumFields(cells).map((field) => ({
    field,
    at: headers.indexOf(cells.head(field)),
  }));
  return rows.flatMap((row): Refusal[] => {
    const extra = row.cells.slice(headers.length).some((cell) => cell.trim() !== "");
    if (extra)
      return [
        {
          line: row.line,
          field: "",
          column: "",
          error: { code: "row.fields", found: row.cells.length, expected: headers.length },
        },
      ];
    const parted = places.find(
      ({ at }) =>
        /^[\s$€£(+-]*\d{1,3}$/.test(row.cells[at] ?? "") &&
        /^\d{3}(?:[.,]\d{2})?\)?$/.test((row.cells[at + 1] ?? "").trim()) &&
        !places.some((place) => place.at === at + 1 && isShort(cells, rows, place.at)),
    );
    return parted
      ? [
          {
            line: row.line,
            field: parted.field,
            column: cells.head(parted.field),
            error: {
              code: "amount.parted",
              text: `${row.cells[parted.at] ?? ""},${row.cells[parted.at + 1] ?? ""}`,
            },
          },
        ]
      : [];
  });
}

/** Whether a column holds sums in its own right on most lines. */
const isShort = (cells: Cells, rows: readonly Row[], at: number): boolean =>
  rows.filter((row) => /\d/.test(row.cells[at] ?? "")).length > rows.length / 2 &&
  cells.file.table.headers[at] !== undefined;
