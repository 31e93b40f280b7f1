import type { Day } from "@/core/calendar";
import type { Processor } from "@/core/paying";
import { fail, ok, type Result } from "@/core/result";
import type { Db } from "@/db/connection";
import { type PaymentRow, triesOfPart } from "@/db/payments";
import { partsOfPlan } from "@/db/payPlans";

import { type DoCommand, type Outcome, payNow } from "./payNow";
import { plannedDue } from "./queries/planned";

type Agreed = { planId: number; customerId: number };
type With = { processor: Processor; run: DoCommand; on: Day };

/**
 * Takes the first part of a plan while its customer is there, so that its bank may ask for a code; the
 * same again goes on from where it was. Where it is declined the plan ends. Errors: pay.not_known
 * while the processor has not said what became of it.
 */
export async function payFirstPart(
  db: Db,
  { processor, run, on }: With,
  { planId, customerId }: Agreed,
): Promise<Result<Outcome>> {
  const [first] = partsOfPlan(db, planId);
  const last = first && triesOfPart(db, first.id).at(-1);
  const by = { processor, run, on };
  const paid = last ? await goOn(by, last) : await begin(db, by, planId);
  if (paid.ok && paid.value.state === "declined") {
    const end = { customerId, planId, why: "its first part was declined" };
    await run("endPlan", end, `end-${planId}`);
  }
  return paid;
}

function begin(db: Db, by: With, planId: number): Promise<Result<Outcome>> | Result<Outcome> {
  const due = plannedDue(db, by.on).find((part) => part.planId === planId);
  if (!due) return fail("plan.ended");
  const { key, customerId, methodId, planPartId, parts } = due;
  const ask = { key, customerId, methodId, planPartId, parts, by: "agreed" as const };
  return payNow({ ...by, ask, present: true });
}

/** What became of a part that was asked for before. */
async function goOn(
  { processor, run }: With,
  { key, state, code }: PaymentRow,
): Promise<Result<Outcome>> {
  if (state !== "asked") return ok({ state, code });
  const answer = processor.chargeByKey(key);
  if (!answer) return fail("pay.not_known");
  if (answer.state === "asks_code") return ok(answer);
  return run("notePayment", { key, answer }, `note-${key}`);
}
