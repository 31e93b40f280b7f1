import { headWords, plainWords } from "@/core/formats";

import type { Cells, Row } from "../../cells";
import type { ReadingContext } from "../../types";
import { type Doubted, leftWhereSaid } from "./leftWhereSaid";
import type { OfOne } from "./ofOneAccount";
import { mayBeOne, wordsOf } from "./ownName";

/** Heads of whom a payment goes to, as its payer writes it (common practice, no source). */
const PAID_TO =
  /^(?:payee|vendor|supplier|beneficiary|creditor|recipient|paid to|pay to|remit to|lieferant|fournisseur|proveedor)(?: name)?$/;

/**
 * Of a list of what somebody paid to several the lines of what was paid to us: those to others are
 * asked about. Whoever pays one alone may call us as they like.
 */
export const paidToUs = (
  cells: Cells,
  rows: readonly Row[],
  { ownName = null }: ReadingContext,
): OfOne => leftWhereSaid(cells, rows, toOthers(cells, rows, wordsOf(ownName ?? "")));

/** The lines that name somebody else than us, where a column names several. */
function toOthers(cells: Cells, rows: readonly Row[], own: readonly string[]): Doubted | null {
  const column = cells.unread().find(({ head }) => PAID_TO.test(headWords(head)));
  if (column === undefined || own.length === 0) return null;
  const nameOf = (row: Row): string => plainWords(row.cells[column.at] ?? "");
  if (new Set(rows.map(nameOf)).size < 2) return null;
  const lines = rows.filter((row) => {
    const words = wordsOf(nameOf(row));
    return words.length > 0 && !mayBeOne(words, own);
  });
  return { head: column.head, lines, asked: "Was that paid to you?" };
}
