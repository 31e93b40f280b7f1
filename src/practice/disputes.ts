import { addDays, type Day } from "@/core/calendar";
import { minor } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import type { PracticeStore } from "@/db/practice";
import type { PracticeCharge } from "@/db/practiceTables";

import { DISPUTE_FEE } from "./answers";
import { tell } from "./telling";

/** Days in which the processor wants a dispute answered, and after which an answer is decided on. */
const ANSWER_DAYS = 14;
const DECIDED_AFTER = 10;

const answered = (disputeId: string): string => `answered ${disputeId}`;
const lost = (disputeId: string): string => `lost ${disputeId}`;
const decided = (disputeId: string): string => `decided ${disputeId}`;
const disputeIdOf = ({ id }: PracticeCharge): string => `${id}-d`;

/** A card holder disputes a charge: its sum and a fee are taken until it is decided. */
export function openDispute(store: PracticeStore, charge: PracticeCharge, on: Day): void {
  store.setDisputed(charge.id, on);
  tell(store, charge, {
    type: "dispute",
    id: disputeIdOf(charge),
    amount: minor(-charge.amount),
    on,
    answerBy: addDays(on, ANSWER_DAYS),
  });
  const id = `${charge.id}-df`;
  tell(store, charge, { type: "dispute fee", id, amount: minor(-DISPUTE_FEE), on });
}

/** Takes the answer to a dispute, once; what was sent is not looked at. Errors: dispute.elsewhere, dispute.late. */
export function answerDispute(store: PracticeStore, disputeId: string, on: Day): Result<null> {
  const charge = store.disputed().find((one) => disputeIdOf(one) === disputeId);
  if (charge?.disputedOn == null) return fail("dispute.elsewhere");
  if (on > addDays(charge.disputedOn, ANSWER_DAYS)) return fail("dispute.late");
  store.once(answered(disputeId), on);
  return ok(null);
}

/** Decides on what was answered, every second one for the business; what was not answered in time is lost. */
export function decideDisputes(store: PracticeStore, on: Day): { won: number; lost: number } {
  const count = { won: 0, lost: 0 };
  for (const charge of store.disputed()) {
    const id = disputeIdOf(charge);
    const fate = fateOf(store, charge, on);
    if (fate === null || !store.once(decided(id), on)) continue;
    count[fate] += 1;
    if (fate === "lost") store.once(lost(id), on);
    else tell(store, charge, { type: "dispute won", id: `${id}w`, amount: charge.amount, on });
  }
  return count;
}

function fateOf(store: PracticeStore, charge: PracticeCharge, on: Day): "won" | "lost" | null {
  const answer = store.doneOn(answered(disputeIdOf(charge)));
  const from = charge.disputedOn ?? on;
  if (answer === null) return on > addDays(from, ANSWER_DAYS) ? "lost" : null;
  if (on < addDays(answer, DECIDED_AFTER)) return null;
  return Number(charge.id.replace(/\D/g, "")) % 2 === 0 ? "won" : "lost";
}

/** Whether a dispute was decided against the business. */
export const isLost = (store: PracticeStore, disputeId: string): boolean =>
  store.isDone(lost(disputeId));
