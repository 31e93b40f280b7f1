import type { Cells, Row } from "../../cells";
import type { ReadingContext } from "../../types";
import { leftWhereSaid } from "./leftWhereSaid";
import type { OfOne } from "./ofOneAccount";
import { isOwn, wordsOf } from "./ownName";

/**
 * Of activity the lines that others paid: what has our own name as its payer went on from us, to the
 * bank or elsewhere, and is asked about.
 */
export function paidByUs(
  cells: Cells,
  rows: readonly Row[],
  { ownName = null }: ReadingContext,
): OfOne {
  const own = wordsOf(ownName ?? "");
  const isOpen = cells.has("payerName") && !cells.has("kind");
  const lines = isOpen ? rows.filter((row) => isOwn(wordsOf(cells.of(row, "payerName")), own)) : [];
  // Where every line names us, the column says whose account it is.
  const isOfAll = lines.length === rows.length;
  const asked = "That is your own name: did a customer pay it?";
  return leftWhereSaid(
    cells,
    rows,
    isOfAll ? null : { head: cells.head("payerName"), lines, asked },
  );
}
