import type { Day } from "@/core/calendar";
import { minor } from "@/core/money";
import type { PracticeStore } from "@/db/practice";
import type { PracticeCharge } from "@/db/practiceTables";

import { CHANGES, RETURN_FEE } from "./answers";
import { tell } from "./telling";

/** A debit settles: its sum and its fee are told. */
export function settle(store: PracticeStore, charge: PracticeCharge, on: Day): void {
  store.setCharge(charge.id, "settled", charge.code);
  tellChange(store, charge, on);
  tell(store, charge, { type: "ach debit", id: charge.id, amount: charge.amount, on });
  tell(store, charge, { type: "fee", id: `${charge.id}-f`, amount: minor(-charge.fee), on });
}

/** The bank of an account says once that it is to be mended. */
function tellChange(
  store: PracticeStore,
  { id, code, token, payerName }: PracticeCharge,
  on: Day,
): void {
  if (code === null || !(code in CHANGES) || !store.once(`change of ${token}`, on)) return;
  store.addNotice({ charge: id, code, payer: payerName, onDay: on });
}

/** A debit comes back: before it settled it only ends; after that its sum and a fee are taken. */
export function comeBack(store: PracticeStore, charge: PracticeCharge, on: Day): void {
  if (charge.state === "on_way") settle(store, charge, on);
  store.setCharge(charge.id, "returned", charge.code);
  const amount = minor(-charge.amount);
  const code = charge.code ?? "";
  tell(store, charge, { type: "return", id: `${charge.id}-r`, amount, on, code });
  const fee = minor(-RETURN_FEE);
  tell(store, charge, { type: "return fee", id: `${charge.id}-rf`, amount: fee, on });
}
