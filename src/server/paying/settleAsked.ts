import type { Processor } from "@/core/paying";
import type { Db } from "@/db/connection";
import { paymentsAsked } from "@/db/payments";

import type { DoCommand } from "./payNow";

/** After so long a payment that the processor has not heard of will not reach it any more. */
const LOST_AFTER_MS = 10 * 60_000;

/**
 * Finds out what became of payments whose answer was lost: the server was ended in between, or the
 * wire was cut. Nothing is asked for anew. Gives how many were settled.
 */
export async function settleAsked(
  db: Db,
  { processor, run, now }: { processor: Processor; run: DoCommand; now: Date },
): Promise<number> {
  let settled = 0;
  for (const { key, askedAt } of paymentsAsked(db)) {
    const answer = processor.chargeByKey(key);
    const isLost = now.getTime() - Date.parse(askedAt) > LOST_AFTER_MS;
    if (!answer && !isLost) continue;
    if (answer?.state === "asks_code") continue;
    // It may arrive after all: what it is then is noted by its own key.
    const noted = answer
      ? await run("notePayment", { key, answer }, `note-${key}`)
      : await run("notePayment", { key, answer: { state: "lost" } }, `lost-${key}`);
    if (noted.ok) settled += 1;
  }
  return settled;
}
