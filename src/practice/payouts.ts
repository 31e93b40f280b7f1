import type { Day } from "@/core/calendar";
import { minor } from "@/core/money";
import type { PracticeStore } from "@/db/practice";

/** Pays out what is due of an account, less what was taken back; below zero it is debited. Gives how many payouts. */
export function payOut(store: PracticeStore, account: string, on: Day): number {
  const due = store.duePayout(account, on);
  if (!due) return 0;
  const id = `po_${account === "card" ? "c" : "a"}${on.replaceAll("-", "")}`;
  store.payOut(account, on, id);
  store.addLine({
    id,
    account,
    type: "payout",
    onDay: on,
    settledOn: on,
    amount: minor(-due.net),
    payer: "",
    email: "",
    memo: "",
    related: "",
    spanFrom: due.from,
    spanTo: due.to,
    code: "",
    answerBy: null,
    paidOutOn: null,
    toldOn: on,
  });
  if (due.net !== 0)
    store.addBankLine(
      on,
      `PRACTICE PROC ${account.toUpperCase()} PAYOUT ${id.toUpperCase()}`,
      due.net,
    );
  return 1;
}
