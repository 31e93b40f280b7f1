import { minor, type Minor, sumOf } from "@/core/money";
import type { RefundAsk } from "@/core/paying";
import { fail, ok, type Result } from "@/core/result";
import type { PracticeStore } from "@/db/practice";

import { tell } from "./telling";

/** What of a charge can still be sent back; null for one that was not paid, or is not here. */
export function leftOfCharge(store: PracticeStore, chargeId: string): Minor | null {
  const charge = store.charge(chargeId);
  if (!charge || !["approved", "settled"].includes(charge.state)) return null;
  // What its holder disputes is not sent back beside.
  if (charge.disputedOn !== null) return minor(0);
  return minor(charge.amount - sumOf(store.refundsOf(chargeId), ({ amount }) => amount));
}

/** Sends money back, each key once, and tells of it in the file of its day. The fee stays. */
export function refunded(store: PracticeStore, ask: RefundAsk): Result<{ refundId: string }> {
  const { key, chargeId, amount, on } = ask;
  const known = store.refundByKey(key);
  if (known)
    return known.charge === chargeId && known.amount === amount
      ? ok({ refundId: known.id })
      : fail("pay.key");
  const charge = store.charge(chargeId);
  const left = leftOfCharge(store, chargeId);
  if (!charge || left === null) return fail("refund.charge");
  if (amount > left) return fail("refund.left");
  return ok(
    store.together(() => {
      const refundId = `${chargeId}-b${store.refundsOf(chargeId).length + 1}`;
      store.addRefund(refundId, ask);
      tell(store, charge, { type: "refund", id: refundId, amount: minor(-amount), on });
      return { refundId };
    }),
  );
}
