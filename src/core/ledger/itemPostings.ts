import {
  type AccountRef,
  credit,
  debit,
  type EntryDraft,
  type Line,
  negated,
  type Sum,
  total,
} from "./entry";
import { entry, type Head, openItem, R } from "./roles";

/** What is set off; positive. */
type SetOff = { creditItemId: number; itemId: number; sum: Sum };

/**
 * A credit note set off against an invoice of the same customer and currency: receivables stay as
 * they are, both items come down. @example 20.00 of a credit note: R (credit note) 20.00; R
 * (invoice) 20.00
 */
export function postSetOff(head: Head & SetOff): EntryDraft {
  return entry("apply", head, [
    debit(R, head.sum, openItem(head.creditItemId)),
    credit(R, head.sum, openItem(head.itemId)),
  ]);
}

/** What is earned later: parts of orders that are asked for beforehand, income of months to come. */
export const EARNED_LATER = {
  deposits: { role: "other", of: "deposits" },
  deferred: { role: "other", of: "deferred" },
} as const satisfies Record<string, AccountRef>;

/** A part of an invoice and which account it goes to; without one to the one of all income, or of all tax. */
type Part = { to?: AccountRef; sum: Sum };
/** What an invoice or credit note is made of: income by account, tax by code; sums positive. */
type InvoiceParts = {
  itemId: number;
  income: readonly Part[];
  taxes: readonly Part[];
  /** The open items of an invoice in instalments, which make its total; the whole is `itemId`'s without them. */
  instalments?: readonly { itemId: number; sum: Sum }[];
};

/**
 * An invoice at its total: receivables gross, income by line, tax payable.
 * @example 108.00 with 8.00 tax: R 108.00; income 100.00, tax 8.00; in two parts R 54.00, R 54.00
 */
export function postInvoice(head: Head & InvoiceParts): EntryDraft {
  return entry("invoice", head, invoiceLines(head));
}

/** A credit note: the mirror of an invoice; its sums are given positive. */
export function postCreditNote(head: Head & InvoiceParts): EntryDraft {
  return entry(
    "credit_note",
    head,
    invoiceLines(head).map((line) => ({ ...line, sum: negated(line.sum) })),
  );
}

function invoiceLines({ itemId, income, taxes, instalments }: InvoiceParts): Line[] {
  const sums = [...income, ...taxes].map(({ sum }) => sum);
  const currency = sums[0]?.currency;
  if (!currency) throw new RangeError("an invoice has at least one line of income");
  return [
    ...(instalments ?? [{ itemId, sum: total(sums, currency) }]).map((part) =>
      debit(R, part.sum, openItem(part.itemId)),
    ),
    ...income.map(({ to = { role: "income" }, sum }) => credit(to, sum)),
    ...taxes
      .filter(({ sum }) => sum.amount !== 0)
      .map(({ to = { role: "tax" }, sum }) => credit(to, sum)),
  ];
}

/**
 * The part of a month of what is earned over months, at the value it was billed at.
 * @example 1,200.00 for a year: deferred income 100.00; income 100.00
 */
export function postEarned(head: Head & { income: AccountRef; sum: Sum }): EntryDraft {
  return entry("invoice", head, [
    debit(EARNED_LATER.deferred, head.sum),
    credit(head.income, head.sum),
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
