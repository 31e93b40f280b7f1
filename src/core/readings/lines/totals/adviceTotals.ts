import { isDate } from "../../columns/contents";
import type { Cells, Row } from "../../cells";
import { groupedBy } from "../../grouped";
import { writtenSum } from "../../sums/sumCells";
import { isSumOf } from "./isSumOf";

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
        isSumOf(total, above, sumsOf(total, taken));
      return isOne ? [total.line] : [];
    }),
  );
}

/** The places of sums that say nothing of which payment it is. */
const sumsOf = ({ cells }: Row, taken: readonly number[]): number[] =>
  [...cells.keys()].filter((at) => {
    const cell = cells[at] ?? "";
    return !taken.includes(at) && writtenSum(cell) !== null && !isDate(cell);
  });
