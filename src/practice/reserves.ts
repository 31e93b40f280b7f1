import { addDays, type Day } from "@/core/calendar";
import { minor, mulDiv } from "@/core/money";
import type { PracticeStore } from "@/db/practice";
import type { PracticeCharge } from "@/db/practiceTables";

import { tell } from "./telling";
import { termsOf } from "./terms";

/** Of a charge by card over this sum the processor keeps a tenth back for so many days (invented). */
const OVER = 50_000;
const DAYS = 30;

/** Keeps a part of a large charge back, as a reserve against disputes. */
export function holdBack(store: PracticeStore, charge: PracticeCharge, on: Day): void {
  if (charge.amount <= OVER || !termsOf(store, charge.account).reserves) return;
  const amount = minor(-mulDiv(charge.amount, 1, 10, "half-even"));
  tell(store, charge, { type: "reserve hold", id: `${charge.id}-h`, amount, on });
}

/** Gives back what was kept so long. Gives how many there were. */
export function giveBack(store: PracticeStore, on: Day): number {
  const due = store.heldBack(addDays(on, -DAYS));
  let given = 0;
  for (const { related, amount } of due) {
    const charge = store.charge(related);
    if (!charge || !store.once(`reserve given back ${related}`, on)) continue;
    const back = minor(-amount);
    tell(store, charge, { type: "reserve release", id: `${related}-g`, amount: back, on });
    given += 1;
  }
  return given;
}
