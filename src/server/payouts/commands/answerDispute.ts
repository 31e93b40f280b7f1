import { z } from "zod";

import { fail, ok, type Result } from "@/core/result";
import { processorItemById } from "@/db/processor";
import { receiptById } from "@/db/receipts";
import { setAnswered } from "@/db/returnsAndDisputes";
import { defineCommand } from "@/server/runtime/command";
import type { Reversal } from "@/server/runtime/reversal";

/** A dispute was answered: the proof has gone to the processor. */
export const answerDispute = defineCommand({
  name: "answerDispute",
  schema: z.object({
    processorItemId: z.number().int(),
    why: z.string().trim().min(3, "Say what was sent, in a few words.").max(300),
  }),
  run(ctx, input): Result<{ actId: number }> {
    const item = processorItemById(ctx.db, input.processorItemId);
    if (
      !item ||
      item.kind !== "dispute" ||
      item.settledState !== "opened" ||
      item.answeredOn !== null
    )
      return fail("dispute.unknown");
    const receipt = item.receiptId === null ? undefined : receiptById(ctx.db, item.receiptId);
    const actId = ctx.act(
      "answer",
      { kind: "processor_item", id: item.id, customerId: receipt?.customerId ?? null },
      `dispute ${item.externalId} answered: ${input.why}`,
    );
    setAnswered(ctx.db, item.id, ctx.today);
    return ok({ actId });
  },
});

/** A dispute waits for its answer again. */
export const unanswerDispute: Reversal = (ctx, act) => {
  setAnswered(ctx.db, act.subjectId, null);
  return ok(null);
};
