import type { Day } from "@/core/calendar";
import type { Processor } from "@/core/paying";
import { fail, type Result } from "@/core/result";
import type { Db } from "@/db/connection";
import { openDisputes } from "@/db/processor";

import type { DoCommand } from "./payNow";

type By = { processor: Processor; run: DoCommand };

/** Answers a dispute by its processor; the same again is answered once. */
export async function answerByProcessor(
  db: Db,
  { processor, run }: By,
  { id, evidence, on }: { id: number; evidence: Uint8Array; on: Day },
): Promise<Result<{ actId: number }>> {
  const dispute = openDisputes(db).find((one) => one.id === id);
  if (!dispute || dispute.answeredOn !== null) return fail("dispute.unknown");
  const sent = processor.answerDispute({ disputeId: dispute.externalId, evidence, on });
  if (!sent.ok) return sent;
  const why = `what we have, as one PDF of ${Math.ceil(evidence.length / 1000)} kB, by the processor`;
  return run("answerDispute", { processorItemId: id, why }, `answer-${dispute.externalId}`);
}
