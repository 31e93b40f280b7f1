import { addBankingDays, type Day } from "@/core/calendar";
import { minor } from "@/core/money";
import type { PracticeStore } from "@/db/practice";

import { seedOf } from "./habits";

/** One payout in so many is refused by the bank (invented). */
const REFUSED_ONE_IN = 40;
const isRefused = (id: string): boolean => seedOf("refused", id) % REFUSED_ONE_IN === 0;

/** Pays out what is due of an account, less what was taken back; below zero it is debited. Gives how many payouts. */
export function payOut(store: PracticeStore, account: string, on: Day): number {
  const due = store.duePayout(account, on);
  if (!due) return 0;
  const id = `po_${account === "card" ? "c" : "a"}${on.replaceAll("-", "")}`;
  store.payOut(account, on, id);
  tellPayout(store, { id, account, type: "payout", on, amount: -due.net }, due);
  if (due.net > 0 && isRefused(id)) store.setFact(refusedOf(account), id);
  else if (due.net !== 0)
    store.addBankLine(
      on,
      `PRACTICE PROC ${account.toUpperCase()} PAYOUT ${id.toUpperCase()}`,
      due.net,
    );
  return 1;
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
