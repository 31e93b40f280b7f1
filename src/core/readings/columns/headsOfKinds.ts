import { plainWords, type Table } from "@/core/formats";

import type { Columns } from "./sheet";

/** Heads that no statement of a bank has beside its own. */
export const OF_OTHERS =
  /\b(card|cardholder|auth|authorization|merchant|batch|invoices?|returns?|refunds?|reason|fees?|costs?|commissions?|sales|tips?|tax|orders?|due|discount|individual)\b/;

/** Of them, those that a list of debits has that somebody sent to his bank. */
export const OF_ORIGINATORS = /\b(individual|batch|returns?|reason|invoices?|due|orders?)\b/;

/** Of them, those that what a customer owes has, whatever goes on from line to line in it. */
export const OF_DOCUMENTS = /\b(invoices?|due)\b/;

/** Of them, those that no advice has whatever else stands in it. */
export const OF_WHAT_ARRIVES = /\b(fees?|receive|received|proceeds|payout|funded)\b/;

/** Heads that a list of what was paid has, and one of what is owed has not. */
export const OF_PAYMENTS =
  /\b(checks?|cheques?|remitter|payer|payor|lockbox|deposit|deposited|eft|trace)\b/;

/** Heads that no advice of a payment has: what it cost, what arrives of it, what is still open. */
export const OF_NO_ADVICE =
  /\b(fees?|receive|received|proceeds|payout|funded|due|open|outstanding|balance|terms|status)\b/;

/** Whether a column that no field has taken is called so. */
export function hasHeads(heads: RegExp, { headers }: Table, columns: Columns): boolean {
  const taken = new Set(Object.values(columns));
  return headers.some((head) => !taken.has(head) && heads.test(plainWords(head)));
}
