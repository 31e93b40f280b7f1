import type { Day } from "@/core/calendar";
import { add, minor, negate, type Currency, type Minor } from "@/core/money";

/** What an account is for. Posting rules speak of roles; a book's chart maps each to an account. */
export const ROLES = [
  "receivables",
  "clearing",
  "unidentified",
  "credits",
  "disputed",
  "fees",
  "fees_accrued",
  "bank",
  "on_hand",
  "reserve",
  "tax",
  "income",
  "discounts",
  "small_differences",
  "late_fees",
  "return_fees",
  "surcharges",
  "exchange",
  "bad_debt",
  "allowance",
  "recoveries",
  "parked",
  "elsewhere",
  "opening",
  "other",
] as const;
export type Role = (typeof ROLES)[number];

export const ENTRY_EVENTS = [
  "opening",
  "invoice",
  "credit_note",
  "receipt",
  "identify",
  "apply",
  "discount",
  "fee",
  "fee_accrual",
  "payout",
  "reserve",
  "adjustment",
  "ach_return",
  "refund",
  "dispute",
  "deposit",
  "exchange",
  "surcharge",
  "late_fee",
  "write_off",
  "allowance",
  "recovery",
  "other_income",
  "elsewhere",
  "park",
  "reversal",
] as const;
export type EntryEvent = (typeof ENTRY_EVENTS)[number];

/**
 * An account by its role; `of` tells accounts of one role apart (a processor account, a bank
 * account, a kind of fee).
 */
export type AccountRef = { readonly role: Role; readonly of?: string };

/** The document a line is about, so that an account can be proven document by document. */
export type ItemKind =
  | "open_item"
  | "receipt"
  | "processor_item"
  | "bank_line"
  | "payout"
  | "fee_accrual"
  | "revaluation";
export type ItemRef = { readonly kind: ItemKind; readonly id: number };

/** A sum in its own currency, and what it is in the book's. Signed. */
export type Sum = { readonly amount: Minor; readonly currency: Currency; readonly book: Minor };

/** Debit positive, credit negative, in `sum`. */
export type Line = {
  readonly account: AccountRef;
  readonly sum: Sum;
  readonly item: ItemRef | null;
};

export type EntryDraft = {
  readonly event: EntryEvent;
  readonly postedOn: Day;
  /** What the entry comes from, and the words by which people know it ("invoice 20431"). */
  readonly document: ItemRef & { readonly text: string };
  readonly partyId: number | null;
  readonly lines: readonly Line[];
};

/**
 * A sum as the caller knows it. In another currency than the book's its value is set when the entry
 * is posted (valuation.ts).
 */
export function inBook(amount: number, currency: Currency): Sum {
  return { amount: minor(amount), currency, book: minor(amount) };
}

export function debit(account: AccountRef, sum: Sum, item: ItemRef | null = null): Line {
  return { account, sum, item };
}

export function credit(account: AccountRef, sum: Sum, item: ItemRef | null = null): Line {
  return { account, sum: negated(sum), item };
}

export function negated(sum: Sum): Sum {
  return { amount: negate(sum.amount), currency: sum.currency, book: negate(sum.book) };
}

/** The sum of several, all in one currency. Throws RangeError for a mixture: that is a bug in the caller. */
export function total(sums: readonly Sum[], currency: Currency): Sum {
  if (sums.some((sum) => sum.currency !== currency))
    throw new RangeError("sums of several currencies are not added");
  return {
    amount: add(...sums.map((sum) => sum.amount)),
    currency,
    book: add(...sums.map((sum) => sum.book)),
  };
}

/** Whether an entry has at least two lines and its debits equal its credits in the book's currency. */
export function foots(entry: EntryDraft): boolean {
  return entry.lines.length >= 2 && add(...entry.lines.map((line) => line.sum.book)) === 0;
}
