import type { RowKind } from "@/core/activity/index";
import { type FileKind, plainWords, type Table } from "@/core/formats";

import { kindBegun, sureKind } from "../rowWords";
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

/** What is sold, by the first word of a line: no bank calls what comes in so. */
const SOLD = /^(?:sales?|charges?|captures?)\b/;

/**
 * Whether the lines of a statement begin as those of a processor do: what was sold and what went back
 * or on, or payments and payouts.
 */
function beginsAsActivity({ headers, rows }: Table, columns: Columns): boolean {
  const at = headers.indexOf(columns.description ?? "");
  const begun = rows.slice(0, MOST_LOOKED_AT).map(({ cells }) => kindBegun(cells[at] ?? ""));
  const has = (kind: RowKind): boolean => begun.some((word) => sureKind(word) === kind);
  const known = begun.filter((word) => word !== "").length;
  const isSold = begun.some((word) => SOLD.test(word));
  const goesOn = has("payout") || (isSold && has("refund"));
  return known * 2 > begun.length && goesOn && (isSold || has("charge"));
}

/** What looks like a statement alone may be the account of a processor, which is empty after each payout. */
export const withPayouts = (
  marked: readonly FileKind[],
  table: Table,
  columnsOf: (kind: FileKind) => Columns,
): readonly FileKind[] =>
  marked.length === 1 &&
  marked[0] === "bank" &&
  [paysOutWhole, beginsAsActivity].some((tells) => tells(table, columnsOf("bank")))
    ? ["processor", "bank"]
    : marked;
