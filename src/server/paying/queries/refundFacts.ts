import type { RefundFacts } from "@/contracts/paying";
import { add, minor, type Minor, negate, sumOf } from "@/core/money";
import type { Db } from "@/db/connection";
import { openItemsOf } from "@/db/openItems";
import { itemsOfReceipt } from "@/db/processor";
import { receiptById } from "@/db/receipts";
import { refundsOf } from "@/db/refunds";

import { freeToGoBack } from "../steps/freeToGoBack";

/**
 * What of a receipt may go back by the processor, and what was asked for; null where it did not come
 * by one that can be asked. `leftOf`: what the processor has left of a charge.
 */
export function refundFactsOf(
  db: Db,
  receiptId: number,
  leftOf: (chargeId: string) => Minor | null,
): RefundFacts | null {
  const receipt = receiptById(db, receiptId);
  const charge = itemsOfReceipt(db, receiptId).find(({ kind }) => kind === "charge");
  const left = charge ? leftOf(charge.externalId) : null;
  if (!receipt || left === null) return null;
  const asked = refundsOf(db, receiptId);
  const going = asked.filter(({ state }) => state === "waiting" || state === "asked");
  const rest = add(left, negate(sumOf(going, ({ amount }) => amount)));
  const freeOf = (creditNoteId: number | null): Minor =>
    minor(Math.max(0, Math.min(rest, freeToGoBack(db, receipt, { creditNoteId }) ?? 0)));
  const notes =
    receipt.customerId === null
      ? []
      : openItemsOf(db, receipt.customerId)
          .filter(({ balance, currency }) => balance < 0 && currency === receipt.currency)
          .map(({ id, number }) => ({ itemId: id, number, sum: freeOf(id) }))
          .filter(({ sum }) => sum > 0);
  return {
    free: freeOf(null),
    notes,
    asked: asked.map(({ id, amount, why, askedBy, askedOn, state }) => ({
      id,
      amount,
      why,
      askedBy,
      askedOn,
      state,
    })),
  };
}
