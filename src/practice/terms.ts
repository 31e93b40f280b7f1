import { add, type Currency, currencyOf, minor, type Minor, mulDiv } from "@/core/money";
import type { PracticeStore } from "@/db/practice";

/** How the files of an account are written. */
export type Shape = "entries" | "net" | "dated";

/** What was agreed for an account of the practice processor. */
export type AccountTerms = {
  way: "card" | "ach";
  currency: Currency;
  /** Of a sum it takes so many thousandths, and so much beside, but not more than `most`. */
  perMille: number;
  fixed: number;
  most: number | null;
  /** Banking days from settlement to payout. */
  payoutDays: number;
  /** Whether it keeps a part of large charges back for a while. */
  reserves: boolean;
  /** Whether its bank refuses a payout now and then. */
  refused: boolean;
  shape: Shape;
};

const USD = currencyOf("USD") as Currency;

/** 2.9 % + 0.30 by card; 0.8 %, at most 5.00, by ACH (common practice, no source). */
export const CARD: AccountTerms = {
  way: "card",
  currency: USD,
  perMille: 29,
  fixed: 30,
  most: null,
  payoutDays: 2,
  reserves: true,
  refused: true,
  shape: "entries",
};
export const ACH: AccountTerms = {
  way: "ach",
  currency: USD,
  perMille: 8,
  fixed: 0,
  most: 500,
  payoutDays: 1,
  reserves: false,
  refused: true,
  shape: "entries",
};

const TERMS = "terms";
type Terms = Readonly<Record<string, AccountTerms>>;

/** Agrees on the accounts that there are. */
export function agreeOn(store: PracticeStore, terms: Terms): void {
  store.setFact(TERMS, JSON.stringify(terms));
}

function agreed(store: PracticeStore): Terms {
  const kept = store.fact(TERMS);
  return kept === null ? { card: CARD, ach: ACH } : (JSON.parse(kept) as Terms);
}

export const accountsOf = (store: PracticeStore): string[] => Object.keys(agreed(store));

export function termsOf(store: PracticeStore, account: string): AccountTerms {
  return agreed(store)[account] ?? CARD;
}

/** The account into which a way of paying goes: that of its currency, else the first. */
export function accountFor(
  store: PracticeStore,
  way: AccountTerms["way"],
  currency: Currency,
): string {
  const own = Object.entries(agreed(store)).filter(([, terms]) => terms.way === way);
  return (own.find(([, terms]) => terms.currency === currency) ?? own[0])?.[0] ?? way;
}

/** What the processor takes of a sum. */
export function feeOf({ perMille, fixed, most }: AccountTerms, amount: Minor): Minor {
  const fee = add(mulDiv(amount, perMille, 1000, "half-even"), minor(fixed));
  return most === null ? fee : minor(Math.min(most, fee));
}
