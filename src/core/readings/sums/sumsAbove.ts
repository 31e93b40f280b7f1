import type { Minor } from "@/core/money";

import type { Reading } from "../canonical";
import type { Row } from "../cells";
import { sumUnder, writtenSum } from "./sumCells";

/** What the lines above a list say a sum is, and the sum. */
export type SumAbove = { readonly words: string; readonly sum: Minor; readonly isOwed: boolean };

/**
 * Sums that stand above a list with their words: behind them in their cell, in the next cell that has
 * something, or in the one below.
 * @example "Opening balance: 100.00" // { words: "Opening balance", sum: 10000, isOwed: false }
 */
export function sumsAbove(reading: Reading): SumAbove[] {
  const { records = [], headLine = 1, above = [] } = reading.cells.file.table;
  const lines = records.slice(Math.max(0, headLine - 1 - above.length), headLine - 1);
  return lines.flatMap((cells, nth) =>
    cells.flatMap((cell, at) => {
      if (!/[a-z]{3}/i.test(cell)) return [];
      const beside = cells.slice(at + 1).find((text) => text.trim() !== "") ?? "";
      const places = [cell, beside, lines[nth + 1]?.[at] ?? ""];
      const found = places.flatMap((text) => sumIn(reading, undefined, text) ?? []);
      return found.slice(0, 1).map((sum) => ({ words: cell, ...sum }));
    }),
  );
}

/** Days that could be taken for sums. */
const DAY = /^(?:\d{1,2}\.\d{1,2}\.\d{2,4}|(?:19|20)\d{6})$/;

/** A sum that stands in a cell, behind its words or alone, and whether `DR` stands beside it. */
export function sumIn(
  reading: Reading,
  row: Row | undefined,
  cell: string,
): { sum: Minor; isOwed: boolean } | null {
  const text = cell.replace(/^[^:]{3,40}:/, "").trim();
  const written = DAY.test(text) ? null : writtenSum(text);
  const shown = row ?? reading.cells.file.table.rows[0];
  if (written === null || !shown) return null;
  const currency = reading.currencyOf(shown);
  const sum = sumUnder(written, { ...reading.sums, currency });
  return sum === null ? null : { sum, isOwed: written.side === "debit" };
}
