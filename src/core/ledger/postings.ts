import type { Day } from "@/core/calendar";

import type { FeeKind } from "../activity";
import {
  type AccountRef,
  credit,
  debit,
  type EntryDraft,
  type ItemRef,
  type Line,
  negated,
  type Sum,
  total,
} from "./entry";
import { bank, clearing, entry, H, type Head, K, openItem, R, receiptItem, U } from "./roles";

/*
 * The posting rules for what comes in, is applied and reaches the bank: one
 * pure function for each event, in the order of the work. Sums are signed minor
 * units; every result foots (see `foots`). The table they follow stands in
 * docs/architecture.md; what goes back is in goingBack.ts.
 */

/**
 * A balance brought over from the ledger before: an open invoice at its
 * balance (a credit note negative), cash at the bank, money in clearing.
 * @example an invoice with 60.00 open: R 60.00 debit, opening 60.00 credit
 */
export function postOpening(
  head: Head & { account: AccountRef; sum: Sum; item: ItemRef | null },
): EntryDraft {
  return entry("opening", head, [
    debit(head.account, head.sum, head.item),
    credit({ role: "opening" }, head.sum),
  ]);
}

/**
 * An invoice at its total: receivables gross, income by line, tax payable.
 * @example 108.00 with 8.00 tax: R 108.00; income 100.00, tax 8.00
 */
export function postInvoice(
  head: Head & { itemId: number; income: readonly { of?: string; sum: Sum }[]; tax: Sum | null },
): EntryDraft {
  return entry("invoice", head, invoiceLines(head));
}

/** A credit note: the mirror of an invoice; its sums are given positive. */
export function postCreditNote(
  head: Head & { itemId: number; income: readonly { of?: string; sum: Sum }[]; tax: Sum | null },
): EntryDraft {
  return entry(
    "credit_note",
    head,
    invoiceLines(head).map((line) => ({ ...line, sum: negated(line.sum) })),
  );
}

function invoiceLines(from: {
  itemId: number;
  income: readonly { of?: string; sum: Sum }[];
  tax: Sum | null;
}): Line[] {
  const parts = [...from.income.map(({ sum }) => sum), ...(from.tax ? [from.tax] : [])];
  const currency = parts[0]?.currency;
  if (!currency) throw new RangeError("an invoice has at least one line of income");
  return [
    debit(R, total(parts, currency), openItem(from.itemId)),
    ...from.income.map(({ of, sum }) =>
      credit(of === undefined ? { role: "income" } : { role: "income", of }, sum),
    ),
    ...(from.tax && from.tax.amount !== 0 ? [credit({ role: "tax" }, from.tax)] : []),
  ];
}

/**
 * A charge settled at the processor, at its gross, whoever paid it.
 * @example a card charge of 1,284.50: C 1,284.50; U 1,284.50
 */
export function postReceiptSettled(
  head: Head & { processor: string; processorItemId: number; receiptId: number; gross: Sum },
): EntryDraft {
  return entry("receipt", head, [
    debit(clearing(head.processor), head.gross, {
      kind: "processor_item",
      id: head.processorItemId,
    }),
    credit(U, head.gross, receiptItem(head.receiptId)),
  ]);
}

/** A receipt that is a bank line by itself (ACH credit, wire, lockbox): B; U. */
export function postReceiptAtBank(
  head: Head & { bank: string; bankLineId: number; receiptId: number; sum: Sum },
): EntryDraft {
  return entry("receipt", head, [
    debit(bank(head.bank), head.sum, { kind: "bank_line", id: head.bankLineId }),
    credit(U, head.sum, receiptItem(head.receiptId)),
  ]);
}

/**
 * A receipt by hand (check, cash, money order), on hand until it is banked: H; U. @example a check
 * of 25.00: H 25.00; U 25.00
 */
export function postReceiptByHand(head: Head & { receiptId: number; sum: Sum }): EntryDraft {
  return entry("receipt", head, [
    debit(H, head.sum, receiptItem(head.receiptId)),
    credit(U, head.sum, receiptItem(head.receiptId)),
  ]);
}

/**
 * Receipts by hand that went to the bank together, on their one line: B; H.
 * @example two checks of 25.00 and 40.00: B 65.00; H 25.00, H 40.00
 */
export function postDeposited(
  head: Head & {
    bank: string;
    bankLineId: number;
    receipts: readonly { receiptId: number; sum: Sum }[];
  },
): EntryDraft {
  const currency = head.receipts[0]?.sum.currency;
  if (!currency) throw new RangeError("a deposit has at least one receipt");
  return entry("deposit", head, [
    debit(
      bank(head.bank),
      total(
        head.receipts.map(({ sum }) => sum),
        currency,
      ),
      { kind: "bank_line", id: head.bankLineId },
    ),
    ...head.receipts.map(({ receiptId, sum }) => credit(H, sum, receiptItem(receiptId))),
  ]);
}

/** A fee that the bank took on a line of its own: F by kind; B. */
export function postBankFee(
  head: Head & { bank: string; bankLineId: number; kind: FeeKind; sum: Sum },
): EntryDraft {
  return entry("fee", head, [
    debit({ role: "fees", of: head.kind }, head.sum),
    credit(bank(head.bank), head.sum, { kind: "bank_line", id: head.bankLineId }),
  ]);
}

/** The payer is known and the money is not given to an invoice: U; K. */
export function postIdentified(head: Head & { receiptId: number; sum: Sum }): EntryDraft {
  return entry("identify", head, [
    debit(U, head.sum, receiptItem(head.receiptId)),
    credit(K, head.sum, receiptItem(head.receiptId)),
  ]);
}

/** Where applied money stood before: not identified, or on the customer's account. */
export type AppliedFrom = "unidentified" | "credits";

/**
 * Money given to open items; a credit note taken along has a negative sum.
 * @example 90.00 with a credit note of 10.00 on an invoice of 100.00: U 90.00, R (credit note)
 * 10.00; R (invoice) 100.00
 */
export function postApplied(
  head: Head & {
    receiptId: number;
    from: AppliedFrom;
    to: readonly { itemId: number; sum: Sum }[];
  },
): EntryDraft {
  const currency = head.to[0]?.sum.currency;
  if (!currency) throw new RangeError("nothing to apply");
  return entry("apply", head, [
    debit(
      head.from === "unidentified" ? U : K,
      total(
        head.to.map(({ sum }) => sum),
        currency,
      ),
      receiptItem(head.receiptId),
    ),
    ...head.to.map(({ itemId, sum }) => credit(R, sum, openItem(itemId))),
  ]);
}

/**
 * An early-payment discount by the gross method: discounts (and tax payable,
 * where the book's rule says that the tax owed is lower by it); R.
 * @example 2/10 n/30 on 1,000.00 paid in time: discounts 20.00; R 20.00
 */
export function postDiscount(
  head: Head & { itemId: number; sum: Sum; tax: Sum | null },
): EntryDraft {
  return entry("discount", head, [
    ...lessTax({ role: "discounts" }, head.sum, head.tax),
    credit(R, head.sum, openItem(head.itemId)),
  ]);
}

/**
 * A small difference within the book's limit; a short payment is positive, an over one negative:
 * small differences; R.
 */
export function postSmallDifference(head: Head & { itemId: number; sum: Sum }): EntryDraft {
  return entry("write_off", head, [
    debit({ role: "small_differences" }, head.sum),
    credit(R, head.sum, openItem(head.itemId)),
  ]);
}

/**
 * A debt written off with the approval of a second person: bad debt, and tax
 * payable where the book's rule says that the tax owed is lower by it; R.
 * @example 54.00 with 4.00 tax in it: bad debt 50.00, tax 4.00; R 54.00
 */
export function postBadDebt(
  head: Head & { itemId: number; sum: Sum; tax: Sum | null },
): EntryDraft {
  return entry("write_off", head, [
    ...lessTax({ role: "bad_debt" }, head.sum, head.tax),
    credit(R, head.sum, openItem(head.itemId)),
  ]);
}

/** What is written off of a sum, apart from the tax in it. */
function lessTax(account: AccountRef, sum: Sum, tax: Sum | null): Line[] {
  return tax === null || tax.amount === 0
    ? [debit(account, sum)]
    : [debit(account, total([sum, negated(tax)], sum.currency)), debit({ role: "tax" }, tax)];
}

/**
 * A fee the processor kept, given positive; a fee given back is negative.
 * @example a fee of 37.55: fees 37.55; C 37.55
 */
export function postFee(
  head: Head & { processor: string; processorItemId: number; kind: FeeKind; sum: Sum },
): EntryDraft {
  return entry("fee", head, [
    debit({ role: "fees", of: head.kind }, head.sum),
    credit(clearing(head.processor), head.sum, {
      kind: "processor_item",
      id: head.processorItemId,
    }),
  ]);
}

/**
 * An adjustment by the processor at its effect on the clearing account: C; other income (an expense
 * where negative).
 */
export function postAdjustment(
  head: Head & { processor: string; processorItemId: number; sum: Sum },
): EntryDraft {
  return entry("adjustment", head, [
    debit(clearing(head.processor), head.sum, { kind: "processor_item", id: head.processorItemId }),
    credit({ role: "other", of: "adjustments" }, head.sum),
  ]);
}

/** A reserve the processor holds (positive) or releases (negative): reserve; C. */
export function postReserve(
  head: Head & { processor: string; processorItemId: number; sum: Sum },
): EntryDraft {
  const item: ItemRef = { kind: "processor_item", id: head.processorItemId };
  return entry("reserve", head, [
    debit({ role: "reserve" }, head.sum, item),
    credit(clearing(head.processor), head.sum, item),
  ]);
}

/**
 * A payout tied to its bank line: B; C. A negative payout is negative here.
 * `net` is what leaves clearing where the bank got it in another currency.
 * @example a sale of 1,000.00 with a fee of 3 %: B 970.00; C 970.00, after C 1,000.00; U 1,000.00
 * and fees 30.00; C 30.00
 */
export function postPayoutTied(
  head: Head & {
    processor: string;
    bank: string;
    payoutId: number;
    lines: readonly { bankLineId: number; sum: Sum }[];
    net?: Sum;
  },
): EntryDraft {
  const currency = head.lines[0]?.sum.currency;
  if (!currency) throw new RangeError("a payout is tied to at least one bank line");
  return entry("payout", head, [
    ...head.lines.map(({ bankLineId, sum }) =>
      debit(bank(head.bank), sum, { kind: "bank_line", id: bankLineId }),
    ),
    credit(
      clearing(head.processor),
      head.net ??
        total(
          head.lines.map(({ sum }) => sum),
          currency,
        ),
      { kind: "payout", id: head.payoutId },
    ),
  ]);
}

/** A bank line that is not of this job (payroll, rent, interest), at its effect on the bank: B; elsewhere. */
export function postElsewhere(
  head: Head & { bank: string; bankLineId: number; account?: string; sum: Sum },
): EntryDraft {
  return entry("elsewhere", head, [
    debit(bank(head.bank), head.sum, { kind: "bank_line", id: head.bankLineId }),
    credit(
      head.account === undefined ? { role: "elsewhere" } : { role: "elsewhere", of: head.account },
      head.sum,
    ),
  ]);
}

/**
 * What a payer gave on top of the invoices, as agreed: U; surcharges.
 * @example an invoice of 100.00 paid with 103.00, 3 % agreed: U 3.00; surcharges 3.00, beside U
 * 100.00; R 100.00
 */
export function postSurcharge(head: Head & { receiptId: number; sum: Sum }): EntryDraft {
  return entry("surcharge", head, [
    debit(U, head.sum, receiptItem(head.receiptId)),
    credit({ role: "surcharges" }, head.sum, receiptItem(head.receiptId)),
  ]);
}

/** A receipt that is no payment of an invoice but other income: U; other income. */
export function postOtherIncome(head: Head & { receiptId: number; sum: Sum }): EntryDraft {
  return entry("other_income", head, [
    debit(U, head.sum, receiptItem(head.receiptId)),
    credit({ role: "other" }, head.sum, receiptItem(head.receiptId)),
  ]);
}

/** Money of another business, set aside with a reason: U; parked. */
export function postSetAside(head: Head & { receiptId: number; sum: Sum }): EntryDraft {
  return entry("park", head, [
    debit(U, head.sum, receiptItem(head.receiptId)),
    credit({ role: "parked" }, head.sum, receiptItem(head.receiptId)),
  ]);
}

/**
 * A difference at the processor that nothing explains, at its effect on clearing, with a reason: C;
 * parked.
 */
export function postParkedDifference(
  head: Head & { processor: string; processorItemId: number; sum: Sum },
): EntryDraft {
  const item: ItemRef = { kind: "processor_item", id: head.processorItemId };
  return entry("park", head, [
    debit(clearing(head.processor), head.sum, item),
    credit({ role: "parked" }, head.sum, item),
  ]);
}

/** The mirror of an entry: every line with its sign turned, dated `on`. */
export function postReversal(of: Omit<EntryDraft, "event" | "postedOn">, on: Day): EntryDraft {
  return {
    ...of,
    event: "reversal",
    postedOn: on,
    lines: of.lines.map((line) => ({ ...line, sum: negated(line.sum) })),
  };
}
