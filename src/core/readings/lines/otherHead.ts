import { plainWords, type Refusal } from "@/core/formats";

import type { Cells, Row } from "../cells";
import type { LeftOut } from "../types";

/** Fewer heads in another order may be words of a line. */
const ENOUGH = 3;

/**
 * Lines below a head that has the columns of the first in another order, up to the next that has them in
 * that of the first: read by the first they would say another thing in each column, so they stay out.
 */
export function underOtherHead(
  cells: Cells,
  rows: readonly Row[],
  leftOut: readonly LeftOut[],
): Refusal[] {
  const heads = new Set(cells.file.table.headers.map((head) => plainWords(head)));
  const same = leftOut.flatMap(({ line, why }) => (why === "head" ? [line] : []));
  const others = rows.filter((row) => isOfHeads(row, heads)).map(({ line }) => line);
  if (others.length === 0) return [];
  return rows.flatMap(({ line }) => {
    const head = others.findLast((other) => other <= line);
    const isBack = same.some((other) => head !== undefined && other > head && other < line);
    return head === undefined || isBack
      ? []
      : [{ line, field: "", column: "", error: { code: "row.other_head", head } }];
  });
}

function isOfHeads({ cells }: Row, heads: ReadonlySet<string>): boolean {
  // A line has a digit almost always, and no head has one in its first column.
  const [first = ""] = cells;
  if (/\d/.test(first) || (first !== "" && !heads.has(plainWords(first)))) return false;
  const filled = cells.map((cell) => plainWords(cell)).filter((cell) => cell !== "");
  return filled.length >= ENOUGH && filled.every((cell) => heads.has(cell));
}
