import type { RunTold } from "@/contracts/paying";
import type { Day } from "@/core/calendar";
import type { Processor } from "@/core/paying";
import { agreedSkips } from "@/db/consents";
import type { Db } from "@/db/connection";
import { inWords } from "@/server/runtime/messages";

import { type DoCommand, payNow } from "./payNow";
import { agreedDue, type AgreedPayment } from "./queries/agreed";
import { holdsOn } from "./queries/holds";
import { brokenPlans, paidPlans, plannedDue } from "./queries/planned";

type Run = { processor: Processor; run: DoCommand; on: Day; keys: ReadonlySet<string> };

/**
 * The run of agreed payments: takes what was looked at, by its keys, each once even where the run is
 * cut off and begun again. What is due otherwise by now, was taken out, or may have been paid
 * already, is left.
 */
export async function runAgreed(db: Db, { processor, run, on, keys }: Run): Promise<RunTold> {
  const told: RunTold = { paid: 0, onWay: 0, declined: 0, refused: [], changed: 0 };
  const out = new Set(agreedSkips(db, on).map(({ customerId }) => customerId));
  const holdOf = holdsOn(db, on);
  for (const { id, customerId } of brokenPlans(db, on))
    await run(
      "endPlan",
      { customerId, planId: id, why: "a part could not be taken" },
      `plan-${id}`,
    );
  for (const { id, customerId } of paidPlans(db))
    await run("endPlan", { customerId, planId: id, why: "all of it is paid" }, `plan-paid-${id}`);
  const due = allDue(db, on).filter(
    ({ key, customerId, notice }) =>
      keys.has(key) && notice === null && !out.has(customerId) && holdOf(customerId) === null,
  );
  told.changed = keys.size - due.length;
  for (const { key, customerId, customer, methodId, planPartId, parts } of due) {
    const ask = { key, customerId, methodId, by: "agreed" as const, planPartId, parts };
    const paid = await payNow({ processor, run, on, ask });
    if (!paid.ok) told.refused.push({ customer, why: inWords(paid.error) });
    else if (paid.value.state === "paid") told.paid += 1;
    else if (paid.value.state === "declined") told.declined += 1;
    else told.onWay += 1;
  }
  return told;
}

/** All that is taken by itself on a day: what is due as agreed, and the parts of plans. */
export const allDue = (db: Db, on: Day): AgreedPayment[] => [
  ...agreedDue(db, on),
  ...plannedDue(db, on),
];
