import { z } from "zod";

import { inBook, postDisputeLost } from "@/core/ledger";
import { negate } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { entriesOfAct } from "@/db/journal";
import { processorItemById, setDisputeState } from "@/db/processor";
import { receiptById, setDisputed } from "@/db/receipts";
import { takeBack } from "@/server/arrivals/steps/takeBack";
import { restoreReceipt } from "@/server/match/steps/restoreReceipt";
import { defineCommand } from "@/server/runtime/command";
import type { Reversal } from "@/server/runtime/reversal";

/** A dispute was lost: what the receipt had paid is open again. */
export const disputeLost = defineCommand({
  name: "disputeLost",
  schema: z.object({ processorItemId: z.number().int() }),
  run(ctx, input): Result<{ actId: number }> {
    const item = processorItemById(ctx.db, input.processorItemId);
    if (
      !item ||
      item.kind !== "dispute" ||
      item.settledState !== "opened" ||
      item.receiptId === null
    )
      return fail("dispute.unknown");
    const receipt = receiptById(ctx.db, item.receiptId);
    if (!receipt) return fail("receipt.unknown");
    const sum = negate(item.amount);
    const actId = ctx.act(
      "dispute_lost",
      { kind: "receipt", id: receipt.id, customerId: receipt.customerId },
      `dispute ${item.externalId} lost: ${ctx.sum(sum, item.currency)} gone, what it had paid is open again`,
    );
    const went = takeBack(ctx, receipt, sum, actId);
    const document = {
      kind: "processor_item" as const,
      id: item.id,
      text: `dispute ${item.externalId} lost`,
    };
    ctx.post(
      postDisputeLost({
        on: ctx.today,
        partyId: receipt.customerId,
        document,
        disputeItemId: item.id,
        receiptId: receipt.id,
        went,
        sum: inBook(sum, item.currency),
      }),
      actId,
    );
    setDisputeState(ctx.db, item.id, "lost");
    setDisputed(ctx.db, receipt.id, 0);
    return ok({ actId });
  },
});

/** A dispute is open again, and what its receipt had paid is paid; other disputes of the receipt stay as they are. */
export const unloseDispute: Reversal = (ctx, act) => {
  const restored = restoreReceipt(ctx, act);
  if (!restored.ok) return restored;
  const lost = entriesOfAct(ctx.db, act.id).filter(
    ({ documentKind }) => documentKind === "processor_item",
  );
  for (const { documentId } of lost) setDisputeState(ctx.db, documentId, "opened");
  setDisputed(ctx.db, restored.value.id, 1);
  return ok(null);
};
