import { plainWords } from "@/core/formats";
import type { DecimalMark } from "@/core/money";

import type { Cells, Row } from "../cells";
import { sumWithin } from "../sums/sumCells";
import { sumFields } from "../sums/sumFields";

/** What a total of some days or of a batch is called; nothing else stands in its cell. */
const NAME =
  /^(?:(?:daily|day|batch|weekly|monthly|grand|sub|page|report|period|card|group) ?)?(?:totals?|summe|gesamt|gesamtsumme|totaal|totale)(?: (?:for|of|on) .{1,30})?$/;
/** Fields that such a name may stand in: nobody's name is one of them. */
const NAMED_IN = ["id", "kind", "reference", "description", "direction", "number", "payoutId"];
const MARKS: readonly DecimalMark[] = [".", ","];

/**
 * Lines with a day that are called a total, and whose sums are those of the lines above them, of all or
 * since the last such line.
 */
export function datedTotals(cells: Cells, rows: readonly Row[]): ReadonlySet<number> {
  const isCalled = (row: Row): boolean =>
    NAMED_IN.some((field) => NAME.test(plainWords(cells.of(row, field))));
  const called = new Set(rows.filter(isCalled).map(({ line }) => line));
  if (called.size === 0 || called.size === rows.length) return new Set();
  const fields = sumFields(cells).filter((field) => field !== "balance");
  const totals = new Set<number>();
  let since: Row[] = [];
  const all: Row[] = [];
  for (const row of rows) {
    const isTotal =
      called.has(row.line) &&
      [since, all].some((lines) => lines.length > 0 && isSumOf(cells, fields, [row, lines]));
    if (isTotal) totals.add(row.line);
    else all.push(row);
    since = isTotal ? [] : [...since, row];
  }
  return totals;
}

function isSumOf(
  cells: Cells,
  fields: readonly string[],
  [total, lines]: readonly [Row, readonly Row[]],
): boolean {
  const filled = fields.filter((field) => cells.of(total, field) !== "");
  const comesTo = (field: string, mark: DecimalMark): number =>
    lines.reduce((sum, row) => sum + (sumWithin(cells.of(row, field), mark) ?? 0), 0);
  return (
    filled.length > 0 &&
    MARKS.some((mark) =>
      filled.every((field) => sumWithin(cells.of(total, field), mark) === comesTo(field, mark)),
    )
  );
}
