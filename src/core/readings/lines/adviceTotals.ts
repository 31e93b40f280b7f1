import type { DecimalMark } from "@/core/money";

import { isDate } from "../columns/contents";
import type { Cells, Row } from "../cells";
import { groupedBy } from "../grouped";
import { sumWithin, writtenSum } from "../sums/sumCells";

const MARKS: readonly DecimalMark[] = [".", ","];
/** Fields that say which payment a line is of. */
const OF_PAYMENT = ["trace", "paidOn", "payerName", "number"] as const;

/**
 * Lines of an advice that name no document, and whose sums are what the lines above them of the same
 * payment come to: what was paid with all of them.
 */
export function adviceTotals(cells: Cells, rows: readonly Row[]): ReadonlySet<number> {
  if (cells.file.kind !== "remittance" || !cells.has("number")) return new Set();
  const taken = OF_PAYMENT.map((field) => cells.file.table.headers.indexOf(cells.head(field)));
  const payments = groupedBy(rows, (row) => `${cells.of(row, "trace")}|${cells.of(row, "paidOn")}`);
  return new Set(
    [...payments.values()].flatMap((lines) => {
      const total = lines.at(-1);
      const above = lines.slice(0, -1);
      const isOne =
        total !== undefined &&
        cells.of(total, "number") === "" &&
        above.length > 0 &&
        above.every((row) => cells.of(row, "number") !== "") &&
        isSumOf(total, above, taken);
      return isOne ? [total.line] : [];
    }),
  );
}

function isSumOf({ cells }: Row, lines: readonly Row[], taken: readonly number[]): boolean {
  const places = [...cells.keys()].filter((at) => {
    const cell = cells[at] ?? "";
    return !taken.includes(at) && writtenSum(cell) !== null && !isDate(cell);
  });
  const comesTo = (at: number, mark: DecimalMark): number =>
    lines.reduce((all, line) => all + (sumWithin(line.cells[at] ?? "", mark) ?? 0), 0);
  return (
    places.length > 0 &&
    MARKS.some((mark) =>
      places.every((at) => sumWithin(cells[at] ?? "", mark) === comesTo(at, mark)),
    )
  );
}
