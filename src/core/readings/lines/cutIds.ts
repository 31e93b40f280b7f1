import type { Refusal } from "@/core/formats";

import type { Cells, Row } from "../cells";

/** Fields that tell one thing from another. */
const NAMING = ["id", "relatedId", "payoutId", "number", "customerId", "externalId"] as const;
/** What a spreadsheet makes of a number of more digits than it keeps: `1.23457E+19`. */
const CUT = /^\d(?:[.,]\d+)?E\+\d{1,3}$/i;
/** What a spreadsheet makes of `NOV-1`, or shows of it. */
const DAY =
  /^(?:\d{4}-\d\d-\d\d|\d{1,2}\/\d{1,2}\/\d{4}|\d{1,2}-(?:jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec))$/i;

/**
 * Ids that a spreadsheet has spoilt: of which it left the first digits alone, so that another line may
 * have the same, and those of which it made a day, among others that look otherwise.
 */
export function cutIds(cells: Cells, rows: readonly Row[]): Refusal[] {
  const fields = NAMING.filter((field) => cells.has(field));
  return fields.flatMap((field) => {
    const isTurned = turnedIn(cells, rows, field);
    return rows.flatMap((row): Refusal[] => {
      const text = cells.of(row, field);
      if (!CUT.test(text) && !isTurned(text)) return [];
      const error = { code: isTurned(text) ? "id.day" : "id.cut", text };
      return [{ line: row.line, field, column: cells.head(field), error }];
    });
  });
}

/** The shape of a number: where its letters and its digits stand. */
const shapeOf = (text: string): string => text.replace(/\d/g, "9").replace(/\p{L}/gu, "a");

/** Which ids of a field are days where those that are none have another shape. */
function turnedIn(cells: Cells, rows: readonly Row[], field: string): (text: string) => boolean {
  const all = cells.column(rows, field);
  if (!all.some((text) => DAY.test(text))) return () => false;
  const others = new Set(all.filter((text) => !DAY.test(text)).map(shapeOf));
  return (text) => DAY.test(text) && others.size > 0 && !others.has(shapeOf(text));
}
