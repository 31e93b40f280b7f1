import { addBankingDays, type Day } from "@/core/calendar";
import type { Minor } from "@/core/money";
import type { PracticeStore } from "@/db/practice";
import type { PracticeCharge } from "@/db/practiceTables";

/** Banking days from settlement to payout. */
const PAYOUT_DAYS: Readonly<Record<string, number>> = { card: 2, ach: 1 };

/** What happened to a charge, as a line of the processor's file tells it. */
type Told = {
  type: string;
  id: string;
  amount: Minor;
  on: Day;
  code?: string;
  answerBy?: Day;
};

/** Writes what happened to a charge into the file of its day; `payoutDays` null: it moves no money. */
export function tell(
  store: PracticeStore,
  charge: PracticeCharge,
  told: Told,
  payoutDays: number | null = PAYOUT_DAYS[charge.account] ?? 2,
): void {
  const isCharge = told.id === charge.id;
  store.addLine({
    id: told.id,
    account: charge.account,
    type: told.type,
    onDay: isCharge ? charge.madeOn : told.on,
    settledOn: told.on,
    amount: told.amount,
    payer: isCharge ? charge.payerName : "",
    email: isCharge ? charge.payerEmail : "",
    memo: isCharge ? charge.reference : "",
    related: isCharge ? "" : charge.id,
    spanFrom: null,
    spanTo: null,
    code: told.code ?? "",
    answerBy: told.answerBy ?? null,
    paidOutOn: payoutDays === null ? null : addBankingDays(told.on, payoutDays),
    toldOn: told.on,
  });
}
