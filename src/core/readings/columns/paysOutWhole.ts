import { type FileKind, plainWords, type Table } from "@/core/formats";

import { writtenSum } from "../sums/sumCells";
import type { Columns } from "./sheet";

/** Rows that it is told by. */
const MOST_LOOKED_AT = 2000;
/** Words of a line that sends on what came in. */
const TO_BANK =
  /\b(?:to (?:your |the )?bank|withdrawals?|payouts?|disbursements?|transfer to|deposit to)\b/;

/**
 * Whether a line sends all that there is to a bank, so that its balance is nothing: so does the account
 * of a processor with each payout, and hardly ever that of a bank.
 */
function paysOutWhole({ headers, rows }: Table, columns: Columns): boolean {
  const at = headers.indexOf(columns.balance ?? "");
  return rows.slice(0, MOST_LOOKED_AT).some(({ cells }) => {
    const left = at < 0 ? null : writtenSum((cells[at] ?? "").trim());
    return left !== null && !/[1-9]/.test(left.digits) && TO_BANK.test(plainWords(cells.join(" ")));
  });
}

/** What looks like a statement alone may be the account of a processor, which is empty after each payout. */
export const withPayouts = (
  marked: readonly FileKind[],
  table: Table,
  columnsOf: (kind: FileKind) => Columns,
): readonly FileKind[] =>
  marked.length === 1 && marked[0] === "bank" && paysOutWhole(table, columnsOf("bank"))
    ? ["processor", "bank"]
    : marked;
