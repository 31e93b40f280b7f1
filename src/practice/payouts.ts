import { addBankingDays, type Day } from "@/core/calendar";
import { type Currency, currencyOf, inCurrency, minor, type Minor, mulDiv } from "@/core/money";
import type { PracticeStore } from "@/db/practice";

import { seedOf } from "./habits";
import { type AccountTerms, termsOf } from "./terms";

/** One payout in so many is refused by the bank (invented). */
const REFUSED_ONE_IN = 40;
const isRefused = (id: string): boolean => seedOf("refused", id) % REFUSED_ONE_IN === 0;

/** Pays out what is due of an account, less what was taken back; below zero it is debited. Gives how many payouts. */
export function payOut(store: PracticeStore, account: string, on: Day): number {
  const due = store.duePayout(account, on);
  if (!due) return 0;
  const terms = termsOf(store, account);
  const id = payoutIdOf(account, on);
  store.payOut(account, on, id);
  tellPayout(store, { id, account, type: "payout", on, amount: -due.net }, due);
  if (due.net > 0 && terms.refused && isRefused(id)) store.setFact(refusedOf(account), id);
  else if (due.net !== 0)
    store.addBankLine(
      on,
      `PRACTICE PROC ${account.toUpperCase()} PAYOUT ${id.toUpperCase()}`,
      atBank(store, due.net, terms),
    );
  return 1;
}

/** A payout of an account by its day. */
export const payoutIdOf = (account: string, on: Day): string =>
  `po_${account.charAt(0)}${on.replaceAll("-", "")}`;

const BANKS = currencyOf("USD") as Currency;
const rateOf = (currency: Currency): string => `rate ${currency}`;

/** What one of a currency is worth in dollars from now on. */
export const setRate = (store: PracticeStore, currency: Currency, rate: string): void => {
  store.setFact(rateOf(currency), rate);
};

/** What the bank makes of a payout in another currency: a little less than the day's rate (invented). */
function atBank(store: PracticeStore, net: Minor, { currency }: AccountTerms): Minor {
  if (currency === BANKS) return net;
  const dollars = inCurrency(net, currency, BANKS, store.fact(rateOf(currency)) ?? "1");
  return mulDiv(dollars ?? net, 996, 1000, "half-even");
}

/**
 * A payout that the bank refused comes back on the next banking day: its items are due again, and go
 * with the next one. Gives how many came back.
 */
export function takeBackRefused(store: PracticeStore, account: string, on: Day): number {
  const id = store.fact(refusedOf(account));
  if (!id) return 0;
  const payout = store.payoutLine(id);
  if (!payout || on < addBankingDays(payout.onDay, 1)) return 0;
  store.setFact(refusedOf(account), "");
  store.dueAgain(id, on);
  tellPayout(store, { id, account, type: "payout failed", on, amount: -payout.amount });
  return 1;
}

const refusedOf = (account: string): string => `refused payout ${account}`;

type Told = { id: string; account: string; type: string; on: Day; amount: number };

function tellPayout(
  store: PracticeStore,
  { id, account, type, on, amount }: Told,
  span?: { from: Day; to: Day },
): void {
  store.addLine({
    ...{ id, account, type, onDay: on, settledOn: on, amount: minor(amount) },
    ...{ payer: "", email: "", memo: "", related: "", code: "" },
    ...{ spanFrom: span?.from ?? null, spanTo: span?.to ?? null },
    ...{ answerBy: null, paidOutOn: null, toldOn: on },
  });
}
