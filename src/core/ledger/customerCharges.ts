import { type ReceiptAtBank } from "@/core/ledger/postings";

import { credit, debit, type EntryDraft, type Sum } from "./entry";
import { bank, entry, F, type Head, K, openItem, R, receiptItem, U } from "./roles";

/*
 * The posting rules for what the business itself charges, accrues and sets
 * aside: return fees and late fees, fees billed by the month, doubtful debts.
 */

/**
 * A fee charged to the customer because a payment came back, an open item of its own: R; return fees.
 * @example 25.00 for a returned debit: R 25.00; return fees 25.00
 */
export function postReturnFeeCharged(head: Head & { itemId: number; sum: Sum }): EntryDraft {
  return entry("late_fee", head, [
    debit(R, head.sum, openItem(head.itemId)),
    credit({ role: "return_fees" }, head.sum),
  ]);
}

/** A fee for paying late, an open item of its own: R; late fees. @example 10.00: R 10.00; late fees 10.00 */
export function postLateFee(head: Head & { itemId: number; sum: Sum }): EntryDraft {
  return entry("late_fee", head, [
    debit(R, head.sum, openItem(head.itemId)),
    credit({ role: "late_fees" }, head.sum),
  ]);
}

/**
 * Processing fees of a month that will be billed later, in the month they
 * belong to: F; fees accrued. What was accrued too much is negative.
 * @example 312.40 for November: F 312.40; fees accrued 312.40
 */
export function postFeeAccrued(head: Head & { sum: Sum }): EntryDraft {
  return entry("fee_accrual", head, [
    debit(F, head.sum),
    credit({ role: "fees_accrued" }, head.sum, head.document),
  ]);
}

/**
 * The bill for accrued fees, taken from the bank; what it differs by is a fee too: fees accrued, F; B.
 * @example 312.40 accrued, 315.00 billed: fees accrued 312.40, F 2.60; B 315.00
 */
export function postFeeBilled(
  head: Head & { bank: string; bankLineId: number; accrued: Sum; billed: Sum },
): EntryDraft {
  const more = {
    amount: head.billed.amount - head.accrued.amount,
    currency: head.billed.currency,
    book: head.billed.book - head.accrued.book,
  } as Sum;
  return entry("fee", head, [
    debit({ role: "fees_accrued" }, head.accrued, head.document),
    ...(more.book === 0 ? [] : [debit(F, more)]),
    credit(bank(head.bank), head.billed, { kind: "bank_line", id: head.bankLineId }),
  ]);
}

/**
 * The allowance for doubtful debts brought to the sum that was computed; `by` is what it moves by:
 * bad debt; allowance.
 */
export function postAllowance(head: Head & { by: Sum }): EntryDraft {
  return entry("allowance", head, [
    debit({ role: "bad_debt" }, head.by),
    credit({ role: "allowance" }, head.by),
  ]);
}

/**
 * Money that comes after all for a debt that was written off: U; recoveries. @example 30.00: U
 * 30.00; recoveries 30.00
 */
export function postRecovery(head: Head & { receiptId: number; sum: Sum }): EntryDraft {
  return entry("recovery", head, [
    debit(U, head.sum, receiptItem(head.receiptId)),
    credit({ role: "recoveries" }, head.sum, receiptItem(head.receiptId)),
  ]);
}

/**
 * Credit on account sent back from the bank itself (a check, a transfer): K; B. @example 540.00: K
 * 540.00; B 540.00
 */
export function postRefundAtBank(head: ReceiptAtBank): EntryDraft {
  return entry("refund", head, [
    debit(K, head.sum, receiptItem(head.receiptId)),
    credit(bank(head.bank), head.sum, { kind: "bank_line", id: head.bankLineId }),
  ]);
}
