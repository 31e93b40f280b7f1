import { z } from "zod";

import { minor } from "@/core/money";
import { ok, type Result } from "@/core/result";
import { receiptById } from "@/db/receipts";

import { defineCommand } from "../command";
import { proposalsOf } from "../proposals";
import { checkTally, place } from "../steps/place";

/**
 * Posts the sure ones that the clerk has looked at. The proposals are made
 * anew here: what is no longer sure, or says something else than the list that
 * was looked at (`expected` minor units), is left alone and counted.
 */
export const postSure = defineCommand({
  name: "postSure",
  schema: z.object({ receiptIds: z.array(z.number().int()).nullable().default(null) }),
  run(ctx, input): Result<{ posted: number; sum: number; left: number; commandId: number }> {
    const wanted = input.receiptIds === null ? null : new Set(input.receiptIds);
    const sure = proposalsOf(ctx.db).filter((proposal) => proposal.decision === "sure" && (wanted === null || wanted.has(proposal.receiptId)));
    let [posted, sum] = [0, 0];
    for (const { receiptId, readings } of sure) {
      const receipt = receiptById(ctx.db, receiptId);
      const best = readings[0];
      if (!receipt || !best || best.customerId === null) continue;
      const lines = best.lines.map((line) => ({ itemId: line.itemId, amount: line.amount, discount: line.discount, smallDifference: minor(0) }));
      const checked = checkTally(ctx, receipt, lines, best.customerId, receipt.unidentified);
      if (!checked.ok) continue;
      const placed = place(ctx, receipt, lines, checked.value, "unidentified");
      if (!placed.ok) return placed;
      posted += 1;
      sum += receipt.unidentified;
    }
    return ok({ posted, sum, left: (wanted?.size ?? sure.length) - posted, commandId: ctx.commandId });
  },
});
