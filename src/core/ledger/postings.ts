import type { Day } from "@/core/calendar";

import { credit, debit, negated, total, type AccountRef, type EntryDraft, type ItemRef, type Line, type Sum } from "./entry";

/**
 * The posting rules: one pure function for each event, in the order of the
 * work. Sums are signed minor units; every result foots (see `foots`). The
 * table they follow stands in docs/architecture.md.
 */
type Head = { readonly on: Day; readonly document: EntryDraft["document"]; readonly partyId?: number | null };

const R: AccountRef = { role: "receivables" };
const U: AccountRef = { role: "unidentified" };
const K: AccountRef = { role: "credits" };
const D: AccountRef = { role: "disputed" };
const clearing = (of: string): AccountRef => ({ role: "clearing", of });
const bank = (of: string): AccountRef => ({ role: "bank", of });
const openItem = (id: number): ItemRef => ({ kind: "open_item", id });
const receiptItem = (id: number): ItemRef => ({ kind: "receipt", id });

function entry(event: EntryDraft["event"], head: Head, lines: readonly Line[]): EntryDraft {
  return { event, postedOn: head.on, document: head.document, partyId: head.partyId ?? null, lines };
}

/**
 * A balance brought over from the ledger before: an open invoice at its
 * balance (a credit note negative), cash at the bank, money in clearing.
 * @example an invoice with 60.00 open: R 60.00 debit, opening 60.00 credit
 */
export function postOpening(head: Head & { account: AccountRef; sum: Sum; item: ItemRef | null }): EntryDraft {
  return entry("opening", head, [debit(head.account, head.sum, head.item), credit({ role: "opening" }, head.sum)]);
}

/**
 * An invoice at its total: receivables gross, income by line, tax payable.
 * @example 108.00 with 8.00 tax: R 108.00; income 100.00, tax 8.00
 */
export function postInvoice(head: Head & { itemId: number; income: readonly { of?: string; sum: Sum }[]; tax: Sum | null }): EntryDraft {
  return entry("invoice", head, invoiceLines(head));
}

/** A credit note: the mirror of an invoice; its sums are given positive. */
export function postCreditNote(head: Head & { itemId: number; income: readonly { of?: string; sum: Sum }[]; tax: Sum | null }): EntryDraft {
  return entry("credit_note", head, invoiceLines(head).map((line) => ({ ...line, sum: negated(line.sum) })));
}

function invoiceLines(from: { itemId: number; income: readonly { of?: string; sum: Sum }[]; tax: Sum | null }): Line[] {
  const parts = [...from.income.map(({ sum }) => sum), ...(from.tax ? [from.tax] : [])];
  const currency = parts[0]?.currency;
  if (!currency) throw new RangeError("an invoice has at least one line of income");
  return [
    debit(R, total(parts, currency), openItem(from.itemId)),
    ...from.income.map(({ of, sum }) => credit(of === undefined ? { role: "income" } : { role: "income", of }, sum)),
    ...(from.tax && from.tax.amount !== 0 ? [credit({ role: "tax" }, from.tax)] : []),
  ];
}

/**
 * A charge settled at the processor, at its gross, whoever paid it.
 * @example a card charge of 1,284.50: C 1,284.50; U 1,284.50
 */
export function postReceiptSettled(head: Head & { processor: string; processorItemId: number; receiptId: number; gross: Sum }): EntryDraft {
  return entry("receipt", head, [
    debit(clearing(head.processor), head.gross, { kind: "processor_item", id: head.processorItemId }),
    credit(U, head.gross, receiptItem(head.receiptId)),
  ]);
}

/** A receipt that is a bank line by itself (ACH credit, wire, lockbox): B; U. */
export function postReceiptAtBank(head: Head & { bank: string; bankLineId: number; receiptId: number; sum: Sum }): EntryDraft {
  return entry("receipt", head, [
    debit(bank(head.bank), head.sum, { kind: "bank_line", id: head.bankLineId }),
    credit(U, head.sum, receiptItem(head.receiptId)),
  ]);
}

/** The payer is known and the money is not given to an invoice: U; K. */
export function postIdentified(head: Head & { receiptId: number; sum: Sum }): EntryDraft {
  return entry("identify", head, [debit(U, head.sum, receiptItem(head.receiptId)), credit(K, head.sum, receiptItem(head.receiptId))]);
}

/** Where applied money stood before: not identified, or on the customer's account. */
export type AppliedFrom = "unidentified" | "credits";

/**
 * Money given to open items; a credit note taken along has a negative sum.
 * @example 90.00 with a credit note of 10.00 on an invoice of 100.00: U 90.00, R (credit note) 10.00; R (invoice) 100.00
 */
export function postApplied(head: Head & { receiptId: number; from: AppliedFrom; to: readonly { itemId: number; sum: Sum }[] }): EntryDraft {
  const currency = head.to[0]?.sum.currency;
  if (!currency) throw new RangeError("nothing to apply");
  return entry("apply", head, [
    debit(head.from === "unidentified" ? U : K, total(head.to.map(({ sum }) => sum), currency), receiptItem(head.receiptId)),
    ...head.to.map(({ itemId, sum }) => credit(R, sum, openItem(itemId))),
  ]);
}

/**
 * An early-payment discount by the gross method: discounts; R.
 * @example 2/10 n/30 on 1,000.00 paid in time: discounts 20.00; R 20.00
 */
export function postDiscount(head: Head & { itemId: number; sum: Sum; tax: Sum | null }): EntryDraft {
  const net = head.tax ? total([head.sum, negated(head.tax)], head.sum.currency) : head.sum;
  return entry("discount", head, [
    debit({ role: "discounts" }, net),
    ...(head.tax && head.tax.amount !== 0 ? [debit({ role: "tax" }, head.tax)] : []),
    credit(R, head.sum, openItem(head.itemId)),
  ]);
}

/** A small difference within the book's limit; a short payment is positive, an over one negative: small differences; R. */
export function postSmallDifference(head: Head & { itemId: number; sum: Sum }): EntryDraft {
  return entry("write_off", head, [debit({ role: "small_differences" }, head.sum), credit(R, head.sum, openItem(head.itemId))]);
}

/** What a fee is for; each kind has its own expense account. */
export type FeeKind = "processing" | "dispute" | "return";

/**
 * A fee the processor kept, given positive; a fee given back is negative.
 * @example a fee of 37.55: fees 37.55; C 37.55
 */
export function postFee(head: Head & { processor: string; processorItemId: number; kind: FeeKind; sum: Sum }): EntryDraft {
  return entry("fee", head, [
    debit({ role: "fees", of: head.kind }, head.sum),
    credit(clearing(head.processor), head.sum, { kind: "processor_item", id: head.processorItemId }),
  ]);
}

/** An adjustment by the processor at its effect on the clearing account: C; other income (an expense where negative). */
export function postAdjustment(head: Head & { processor: string; processorItemId: number; sum: Sum }): EntryDraft {
  return entry("adjustment", head, [
    debit(clearing(head.processor), head.sum, { kind: "processor_item", id: head.processorItemId }),
    credit({ role: "other", of: "adjustments" }, head.sum),
  ]);
}

/** A reserve the processor holds (positive) or releases (negative): reserve; C. */
export function postReserve(head: Head & { processor: string; processorItemId: number; sum: Sum }): EntryDraft {
  const item: ItemRef = { kind: "processor_item", id: head.processorItemId };
  return entry("reserve", head, [debit({ role: "reserve" }, head.sum, item), credit(clearing(head.processor), head.sum, item)]);
}

/** What a receipt had become when its money goes back: each part is positive. */
export type WentTo = {
  readonly unidentified: Sum | null;
  readonly credits: Sum | null;
  readonly parked: Sum | null;
  readonly items: readonly { itemId: number; sum: Sum; discount: Sum | null; smallDifference: Sum | null }[];
};

/**
 * A refund the processor paid out: from the customer's credit (or from money
 * nobody was found for), out of clearing. `sum` is positive.
 * @example a double payment of 540.00 sent back: K 540.00; C 540.00
 */
export function postRefund(head: Head & { processor: string; processorItemId: number; receiptId: number | null; from: "unidentified" | "credits" | "parked"; sum: Sum }): EntryDraft {
  const item: ItemRef = head.receiptId === null ? { kind: "processor_item", id: head.processorItemId } : receiptItem(head.receiptId);
  return entry("refund", head, [
    debit({ role: head.from }, head.sum, item),
    credit(clearing(head.processor), head.sum, { kind: "processor_item", id: head.processorItemId }),
  ]);
}

/** A disputed receipt, withdrawn by the processor; the invoice stays paid and marked: D; C. Won, the money comes back: the sum is negative. */
export function postDispute(head: Head & { processor: string; processorItemId: number; sum: Sum }): EntryDraft {
  const item: ItemRef = { kind: "processor_item", id: head.processorItemId };
  return entry("dispute", head, [debit(D, head.sum, item), credit(clearing(head.processor), head.sum, item)]);
}

/** A dispute lost: what the receipt had paid is open again; D is emptied. A discount that had been taken is taken back. */
export function postDisputeLost(head: Head & { disputeItemId: number; receiptId: number; went: WentTo; sum: Sum }): EntryDraft {
  return entry("dispute", head, [...takenBack(head.receiptId, head.went), credit(D, head.sum, { kind: "processor_item", id: head.disputeItemId })]);
}

/**
 * An ACH return after settlement: what the receipt had become, out of clearing.
 * @example 98.00 had paid an invoice of 100.00 less 2.00: R 100.00; discounts 2.00, C 98.00
 */
export function postAchReturn(head: Head & { processor: string; processorItemId: number; receiptId: number; went: WentTo; sum: Sum }): EntryDraft {
  return entry("ach_return", head, [
    ...takenBack(head.receiptId, head.went),
    credit(clearing(head.processor), head.sum, { kind: "processor_item", id: head.processorItemId }),
  ]);
}

function takenBack(receiptId: number, went: WentTo): Line[] {
  const back: Line[] = [];
  if (went.unidentified) back.push(debit(U, went.unidentified, receiptItem(receiptId)));
  if (went.credits) back.push(debit(K, went.credits, receiptItem(receiptId)));
  if (went.parked) back.push(debit({ role: "parked" }, went.parked, receiptItem(receiptId)));
  for (const { itemId, sum, discount, smallDifference } of went.items) {
    const extra = [discount, smallDifference].filter((part): part is Sum => part !== null && part.amount !== 0);
    back.push(debit(R, total([sum, ...extra], sum.currency), openItem(itemId)));
    if (discount && discount.amount !== 0) back.push(credit({ role: "discounts" }, discount));
    if (smallDifference && smallDifference.amount !== 0) back.push(credit({ role: "small_differences" }, smallDifference));
  }
  return back;
}

/**
 * A payout tied to its bank line: B; C. A negative payout is negative here.
 * @example a sale of 1,000.00 with a fee of 3 %: B 970.00; C 970.00, after C 1,000.00; U 1,000.00 and fees 30.00; C 30.00
 */
export function postPayoutTied(head: Head & { processor: string; bank: string; payoutId: number; lines: readonly { bankLineId: number; sum: Sum }[] }): EntryDraft {
  const currency = head.lines[0]?.sum.currency;
  if (!currency) throw new RangeError("a payout is tied to at least one bank line");
  return entry("payout", head, [
    ...head.lines.map(({ bankLineId, sum }) => debit(bank(head.bank), sum, { kind: "bank_line", id: bankLineId })),
    credit(clearing(head.processor), total(head.lines.map(({ sum }) => sum), currency), { kind: "payout", id: head.payoutId }),
  ]);
}

/** A bank line that is not of this job (payroll, rent, interest), at its effect on the bank: B; elsewhere. */
export function postElsewhere(head: Head & { bank: string; bankLineId: number; account?: string; sum: Sum }): EntryDraft {
  return entry("elsewhere", head, [
    debit(bank(head.bank), head.sum, { kind: "bank_line", id: head.bankLineId }),
    credit(head.account === undefined ? { role: "elsewhere" } : { role: "elsewhere", of: head.account }, head.sum),
  ]);
}

/** Money of another business, set aside with a reason: U; parked. */
export function postSetAside(head: Head & { receiptId: number; sum: Sum }): EntryDraft {
  return entry("park", head, [debit(U, head.sum, receiptItem(head.receiptId)), credit({ role: "parked" }, head.sum, receiptItem(head.receiptId))]);
}

/** A difference at the processor that nothing explains, at its effect on clearing, with a reason: C; parked. */
export function postParkedDifference(head: Head & { processor: string; processorItemId: number; sum: Sum }): EntryDraft {
  const item: ItemRef = { kind: "processor_item", id: head.processorItemId };
  return entry("park", head, [debit(clearing(head.processor), head.sum, item), credit({ role: "parked" }, head.sum, item)]);
}

/** The mirror of an entry: every line with its sign turned, dated `on`. */
export function postReversal(of: Omit<EntryDraft, "event" | "postedOn">, on: Day): EntryDraft {
  return { ...of, event: "reversal", postedOn: on, lines: of.lines.map((line) => ({ ...line, sum: negated(line.sum) })) };
}
