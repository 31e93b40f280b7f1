import { addDays, type Day } from "@/core/calendar";
import { openDisputes } from "@/db/processor";

import { type Around, DISPUTED_AFTER } from "./customers";
import { isLost } from "./disputes";
import { fateOf } from "./habits";
import { must } from "./hands";

/** Days after which the business answers a dispute. */
const ANSWERED_AFTER = 3;

/** Card holders dispute what they paid some days ago, by their habits; gives how many. */
export function disputesOf({ store, processor, seed }: Around, on: Day): number {
  let count = 0;
  for (const charge of store.disputable(addDays(on, -DISPUTED_AFTER))) {
    const { disputes } = fateOf(seed, charge.reference, { dueOn: on, lateDays: 0 });
    if (!disputes) continue;
    processor.dispute(charge, on);
    count += 1;
  }
  return count;
}

/** Disputes are answered after some days, as a clerk would; what was lost is marked as that. */
export async function answerDisputes(
  { db, store, processor, run }: Around,
  on: Day,
): Promise<void> {
  for (const { id, externalId, occurredOn, answeredOn } of openDisputes(db)) {
    if (isLost(store, externalId))
      must(await run("disputeLost", { processorItemId: id }, `lost-${externalId}`));
    if (answeredOn !== null || on < addDays(occurredOn, ANSWERED_AFTER)) continue;
    const answer = { disputeId: externalId, evidence: new Uint8Array(), on };
    if (!processor.answerDispute(answer).ok) continue;
    const sent = { processorItemId: id, why: "what we have, as one PDF" };
    must(await run("answerDispute", sent, `answer-${externalId}`));
  }
}
