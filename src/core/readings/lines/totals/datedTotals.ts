import { plainWords } from "@/core/formats";

import type { Cells, Row } from "../../cells";
import { sumFields } from "../../sums/sumFields";
import { isSumOf } from "./isSumOf";

/** What a total of some days or of a batch is called; nothing else stands in its cell. */
const NAME =
  /^(?:(?:daily|day|batch|weekly|monthly|grand|sub|page|report|period|card|group) ?)?(?:totals?|summe|gesamt|gesamtsumme|totaal|totale)(?: (?:for|of|on) .{1,30})?$/;
/** What no such name goes without, told before its words are looked at: lines are many. */
const MAYBE = /tota|summe|gesamt/i;
/** Fields that such a name may stand in: nobody's name is one of them. */
const NAMED_IN = ["id", "kind", "reference", "description", "direction", "number", "payoutId"];

/**
 * Lines with a day that are called a total, and whose sums are those of the lines above them, of all or
 * since the last such line.
 */
export function datedTotals(cells: Cells, rows: readonly Row[]): ReadonlySet<number> {
  const isCalled = (row: Row): boolean =>
    NAMED_IN.some((field) => {
      const text = cells.of(row, field);
      return MAYBE.test(text) && NAME.test(plainWords(text));
    });
  const called = new Set(rows.filter(isCalled).map(({ line }) => line));
  if (called.size === 0 || called.size === rows.length) return new Set();
  const fields = sumFields(cells).filter((field) => field !== "balance");
  const placesOf = (row: Row): number[] =>
    fields
      .filter((field) => cells.of(row, field) !== "")
      .map((field) => cells.file.table.headers.indexOf(cells.head(field)));
  const totals = new Set<number>();
  let since: Row[] = [];
  const all: Row[] = [];
  for (const row of rows) {
    const isTotal =
      called.has(row.line) &&
      [since, all].some((lines) => lines.length > 0 && isSumOf(row, lines, placesOf(row)));
    if (isTotal) totals.add(row.line);
    else all.push(row);
    since = isTotal ? [] : [...since, row];
  }
  return totals;
}
