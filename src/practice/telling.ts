import { addBankingDays, type Day } from "@/core/calendar";
import type { Minor } from "@/core/money";
import type { PracticeStore } from "@/db/practice";
import type { PracticeCharge } from "@/db/practiceTables";

import { termsOf } from "./terms";

/** What happened to a charge, as a line of the processor's file tells it. */
type Told = {
  type: string;
  id: string;
  amount: Minor;
  on: Day;
  code?: string;
  answerBy?: Day;
  /** It is told, and moves no money. */
  movesNothing?: true;
};

/** Writes what happened to a charge into the file of its day. */
export function tell(store: PracticeStore, charge: PracticeCharge, told: Told): void {
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
    paidOutOn: told.movesNothing
      ? null
      : addBankingDays(told.on, termsOf(store, charge.account).payoutDays),
    toldOn: told.on,
  });
}
