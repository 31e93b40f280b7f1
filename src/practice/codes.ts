import type { Day } from "@/core/calendar";
import { minor } from "@/core/money";
import type { ChargeAnswer } from "@/core/paying";
import { fail, ok, type Result } from "@/core/result";
import type { PracticeStore } from "@/db/practice";
import type { PracticeCharge } from "@/db/practiceTables";

import { answerOf, PRACTICE_CODE } from "./answers";
import { holdBack } from "./reserves";
import { tell } from "./telling";
import { feeOf, termsOf } from "./terms";

/** So often a code may be typed (common practice, no source). */
const TRIES = 3;

/** How the bank of a card answers that asks for a code, where somebody can type one, and where nobody can. */
export const ASKS_CODE = "65";

/** A card's charge goes through: it is told with its fee. */
export function approve(store: PracticeStore, charge: PracticeCharge, on: Day): void {
  const fee = feeOf(termsOf(store, charge.account), charge.amount);
  tell(store, charge, { type: "charge", id: charge.id, amount: charge.amount, on });
  tell(store, charge, { type: "fee", id: `${charge.id}-f`, amount: minor(-fee), on });
  holdBack(store, charge, on);
}

/**
 * Takes the code that a payer typed for a charge. Errors: code.wrong, while it may be typed again;
 * method.gone for a charge that is not there.
 */
export function takeCode(
  store: PracticeStore,
  typed: { charge: string; code: string },
): Result<ChargeAnswer> {
  return store.together(() => {
    const charge = store.charge(typed.charge);
    if (!charge) return fail("method.gone");
    if (charge.state !== "asks_code") return ok(answerOf(charge));
    if (typed.code.replace(/\D/g, "") === PRACTICE_CODE) {
      store.setCharge(charge.id, "approved", null);
      store.setFee(charge.id, feeOf(termsOf(store, charge.account), charge.amount));
      approve(store, charge, charge.madeOn);
    } else {
      if (store.countWrongCode(charge.id) < TRIES) return fail("code.wrong", { field: "bankCode" });
      store.setCharge(charge.id, "declined", ASKS_CODE);
    }
    const after = store.charge(charge.id);
    return after ? ok(answerOf(after)) : fail("method.gone");
  });
}

/** The payer gives up, or the day is over: nothing is taken. */
export function letGo(store: PracticeStore, charge: PracticeCharge): void {
  if (charge.state === "asks_code") store.setCharge(charge.id, "declined", ASKS_CODE);
}
