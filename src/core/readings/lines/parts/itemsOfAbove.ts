import type { Cells, Row } from "../../cells";
import type { LeftOut } from "../../types";

/** What says of a line that it is more than an item of the one above. */
const OF_ITS_OWN = ["day", "amount"];

/**
 * Shops give an order a line for each thing in it, and its day and its sums on the first alone: a line
 * of the same number without any of them is one more thing of the order above.
 */
export function itemsOfAbove(cells: Cells, rows: readonly Row[]): LeftOut[] {
  if (cells.file.kind !== "processor" || cells.has("kind")) return [];
  const fields = cells.fields.filter(({ type }) => OF_ITS_OWN.includes(type));
  const numberOf = (row: Row): string => cells.of(row, "id") || cells.of(row, "reference");
  return rows.flatMap((row, at) => {
    const above = rows[at - 1];
    const isItem =
      above !== undefined &&
      numberOf(row) !== "" &&
      numberOf(row) === numberOf(above) &&
      fields.every(({ field }) => cells.of(row, field) === "");
    return isItem ? [{ line: row.line, why: "same_payment" as const }] : [];
  });
}
