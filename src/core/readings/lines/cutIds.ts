import type { Refusal } from "@/core/formats";

import type { Cells, Row } from "../cells";

/** Fields that tell one thing from another. */
const NAMING = ["id", "relatedId", "payoutId", "number", "customerId", "externalId"] as const;
/** What a spreadsheet makes of a number of more digits than it keeps: `1.23457E+19`. */
const CUT = /^\d(?:[.,]\d+)?E\+\d{1,3}$/i;

/**
 * Ids of which a spreadsheet left the first digits alone: another line, of this file or of the next,
 * may have the same, and would be taken for this one.
 */
export function cutIds(cells: Cells, rows: readonly Row[]): Refusal[] {
  const fields = NAMING.filter((field) => cells.has(field));
  return rows.flatMap((row) =>
    fields.flatMap((field): Refusal[] => {
      const text = cells.of(row, field);
      if (!CUT.test(text)) return [];
      const error = { code: "id.cut", text };
      return [{ line: row.line, field, column: cells.head(field), error }];
    }),
  );
}
