import { type SureRow } from "@/contracts/match";
import {
  type MatchCandidate,
  oddity,
  type Proposal,
  reasonInWords,
  sureKind,
} from "@/core/matching";
import { add, type Currency } from "@/core/money";
import { approvalsWaiting } from "@/db/approvals";
import { type Db } from "@/db/connection";
import { allCustomers } from "@/db/customers";
import { carriedByDocument } from "@/db/rates";
import { receiptsInState } from "@/db/receipts";

import { readingInWords } from "./match";

/** What a reading does with the money, in one line of text. */
export function saidOf(reading: MatchCandidate): string {
  return `${reading.customerId} ${reading.lines
    .map((line) => `${line.itemId}:${line.amount}:${line.discount}`)
    .sort()
    .join(" ")}${reading.surcharge ? ` +${reading.surcharge}` : ""}`;
}

/**
 * The sure ones as they would be posted: those that deserve a second glance first, the others by
 * what kind they are.
 */
export function sureList(db: Db, proposals: readonly Proposal[], currency: Currency): SureRow[] {
  const receipts = new Map(receiptsInState(db, "to_match").map((receipt) => [receipt.id, receipt]));
  const names = new Map(allCustomers(db).map((customer) => [customer.id, customer.name]));
  const asked = new Set(approvalsWaiting(db).map(({ receiptId }) => receiptId));
  const sure = proposals
    .filter(({ decision, receiptId }) => decision === "sure" && !asked.has(receiptId))
    .flatMap(({ receiptId, readings: [best] }) => {
      const receipt = receipts.get(receiptId);
      return receipt && best ? [{ receipt, best }] : [];
    });
  const foreign = carriedByDocument(db, ["unidentified"], "receipt");
  const sums = sure.map(({ receipt }) => receipt.unidentified).sort((a, b) => a - b);
  const middle = sums[Math.floor(sums.length / 2)] ?? add(0);
  const rows = sure.map(({ receipt, best }): SureRow => ({
    id: receipt.id,
    from: receipt.payerName || receipt.payerEmail,
    memo: receipt.reference,
    to: `${names.get(best.customerId ?? 0) ?? ""}: ${readingInWords(best, names)}`,
    why: best.reasons
      .slice(0, 2)
      .map((reason) => reasonInWords(reason, receipt.currency))
      .join(", "),
    kind: sureKind(best),
    odd: oddity(best, receipt.unidentified, middle),
    sum: receipt.unidentified,
    currency: receipt.currency,
    book:
      receipt.currency === currency ? receipt.unidentified : add(-(foreign.get(receipt.id) ?? 0)),
    said: saidOf(best),
  }));
  const size = new Map<string, number>();
  for (const row of rows) size.set(row.kind, (size.get(row.kind) ?? 0) + 1);
  return rows.sort(
    (a, b) =>
      Number(a.odd === null) - Number(b.odd === null) ||
      (a.odd === null
        ? (size.get(a.kind) ?? 0) - (size.get(b.kind) ?? 0) || a.kind.localeCompare(b.kind)
        : b.sum - a.sum) ||
      a.id - b.id,
  );
}
