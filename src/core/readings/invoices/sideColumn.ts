import { plainWords } from "@/core/formats";

import type { Cells, Row } from "../cells";
import { isLedgerWord, sureDirection } from "../rowWords";

/** Rows that a column of sides is told by. */
const MOST_LOOKED_AT = 2000;
/** Heads of columns that say the side of an account; any other may hold letters for something else. */
const SIDE = /\b(?:d ?c|c ?d|dr ?cr|cr ?dr|debit|credit|soll|haben|s ?h|sign|side|indicator)\b/;

/** Whether a line of a customer's account is on its credit side, where a column of its own says the side of each. */
export function creditSide(cells: Cells, rows: readonly Row[]): (row: Row) => boolean {
  const looked = rows.slice(0, MOST_LOOKED_AT);
  const side = cells.unread().find(({ head, at }) => {
    const words = looked.map((row) => (row.cells[at] ?? "").trim()).filter((word) => word !== "");
    if (words.length === 0 || !words.every(isLedgerWord)) return false;
    return SIDE.test(plainWords(head)) || words.every((word) => word.length > 2);
  });
  return side === undefined ? () => false : (row) => sureDirection(row.cells[side.at] ?? "") === 1;
}
