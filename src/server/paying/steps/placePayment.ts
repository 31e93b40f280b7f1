import { minor } from "@/core/money";
import { partsOfPayment, type PaymentRow, answerPayment, paymentByCharge } from "@/db/payments";
import { openItemById } from "@/db/openItems";
import { receiptById } from "@/db/receipts";
import { applyTally } from "@/server/match/steps/applyTally";
import { checkTally } from "@/server/match/steps/checkTally";
import type { CommandContext } from "@/server/runtime/context";

import { mailReceipt } from "./mailReceipt";

/**
 * Gives a receipt to the invoices that its payment was for. Where one of them was settled otherwise
 * meanwhile, what was meant for it is for a person to place, and the receipt waits in Match.
 */
export function placePayment(ctx: CommandContext, payment: PaymentRow, receiptId: number): void {
  const receipt = receiptById(ctx.db, receiptId);
  if (!receipt) return;
  const parts = partsOfPayment(ctx.db, payment.id);
  const isOpen = parts.every(
    ({ itemId, amount }) => (openItemById(ctx.db, itemId)?.balance ?? 0) >= amount,
  );
  const { chargeId } = payment;
  answerPayment(ctx.db, payment.id, {
    state: "paid",
    chargeId,
    code: null,
    settlesOn: null,
    receiptId,
  });
  if (!isOpen) return;
  const lines = parts.map((part) => ({
    itemId: part.itemId,
    amount: minor(part.amount - part.saving),
    discount: part.saving,
    smallDifference: minor(0),
  }));
  const placed = ctx.part(() => {
    const checked = checkTally(ctx, receipt, {
      lines,
      customerId: payment.customerId,
      available: receipt.unidentified,
      surcharge: payment.surcharge,
    });
    if (!checked.ok) return checked;
    return applyTally(ctx, { receipt, lines, checked: checked.value, from: "unidentified" });
  });
  if (placed.ok) mailReceipt(ctx, payment, receiptId);
}

/** A charge that a file tells of goes to its payment's invoices, where it is one that was made here. */
export function placeCharge(
  ctx: CommandContext,
  accountId: number,
  chargeId: string,
  receiptId: number,
): void {
  const payment = paymentByCharge(ctx.db, accountId, chargeId);
  if (payment?.state === "on_way") placePayment(ctx, payment, receiptId);
}

/** A debit that came back is no payment any more: what it paid is open again. */
export function notePaymentReturned(
  ctx: CommandContext,
  accountId: number,
  chargeId: string,
  code: string | null,
): void {
  const payment = paymentByCharge(ctx.db, accountId, chargeId);
  if (!payment || payment.state === "returned") return;
  const { settlesOn, receiptId } = payment;
  answerPayment(ctx.db, payment.id, { state: "returned", chargeId, code, settlesOn, receiptId });
}
