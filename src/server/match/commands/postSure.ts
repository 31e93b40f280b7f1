import { z } from "zod";

import { minor } from "@/core/money";
import { ok, type Result } from "@/core/result";
import { approvalsWaiting } from "@/db/approvals";
import { receiptById } from "@/db/receipts";
import { defineCommand } from "@/server/runtime/command";

import { proposalsOf } from "../proposals";
import { saidOf } from "../queries/match";
import { checkTally, applyTally } from "../steps/applyReceipt";

/**
 * Posts the sure ones that the clerk has looked at. The proposals are made
 * anew here: what is no longer sure, or reads otherwise than it did when it was
 * looked at (`said`, by receipt), is left alone and counted.
 */
export const postSure = defineCommand({
  name: "postSure",
  schema: z.object({
    receiptIds: z.array(z.number().int()).nullable().default(null),
    said: z.record(z.string(), z.string()).default({}),
  }),
  run(ctx, input): Result<{ posted: number; sum: number; left: number; commandId: number }> {
    const wanted = input.receiptIds === null ? null : new Set(input.receiptIds);
    const asked = new Set(approvalsWaiting(ctx.db).map(({ receiptId }) => receiptId));
    const sure = proposalsOf(ctx.db).filter(
      (proposal) =>
        proposal.decision === "sure" &&
        !asked.has(proposal.receiptId) &&
        (wanted === null || wanted.has(proposal.receiptId)),
    );
    let [posted, sum] = [0, 0];
    for (const [at, { receiptId, readings }] of sure.entries()) {
      if (at % 100 === 0) ctx.who.progress?.(at, sure.length);
      const receipt = receiptById(ctx.db, receiptId);
      const best = readings[0];
      if (
        !receipt ||
        !best ||
        best.customerId === null ||
        (input.said[receiptId] ?? saidOf(best)) !== saidOf(best)
      )
        continue;
      const lines = best.lines.map((line) => ({
        itemId: line.itemId,
        amount: line.amount,
        discount: line.discount,
        smallDifference: minor(0),
      }));
      const checked = checkTally(ctx, receipt, lines, best.customerId, receipt.unidentified, {
        surcharge: best.surcharge ?? minor(0),
      });
      if (!checked.ok) continue;
      const placed = applyTally(ctx, {
        receipt,
        lines,
        checked: checked.value,
        from: "unidentified",
      });
      if (!placed.ok) return placed;
      posted += 1;
      sum += receipt.unidentified;
    }
    return ok({
      posted,
      sum,
      left: (wanted?.size ?? sure.length) - posted,
      commandId: ctx.commandId,
    });
  },
});
