import { z } from "zod";

import { type SurePosted } from "@/contracts/match";
import { type MatchCandidate, type Proposal } from "@/core/matching";
import { add, minor, ZERO } from "@/core/money";
import { ok, type Result } from "@/core/result";
import { approvalsWaiting } from "@/db/approvals";
import { receiptById, type ReceiptRow } from "@/db/receipts";
import { defineCommand } from "@/server/runtime/command";
import { type CommandContext } from "@/server/runtime/context";

import { proposalsOf } from "../proposals";
import { saidOf } from "../queries/sureList";
import { applyTally } from "../steps/applyTally";
import { checkTally } from "../steps/checkTally";
import { worthInBook } from "@/server/match/queries/match";

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
  run(ctx, input): Result<SurePosted> {
    const wanted = input.receiptIds === null ? null : new Set(input.receiptIds);
    const sure = sureOnes(ctx, wanted);
    const worth = worthInBook(ctx.db, ctx.settings.currency);
    let [posted, sum] = [0, ZERO];
    for (const [at, { receiptId, readings }] of sure.entries()) {
      if (at % 100 === 0) ctx.who.progress?.(at, sure.length);
      const receipt = receiptById(ctx.db, receiptId);
      const [best] = readings;
      if (!receipt || !best || isOtherwise(best, input.said[receiptId])) continue;
      const placed = postReading(ctx, receipt, best);
      if (!placed.ok) return placed;
      if (placed.value === null) continue;
      posted += 1;
      sum = add(sum, worth(receipt));
    }
    return ok({
      posted,
      sum,
      left: (wanted?.size ?? sure.length) - posted,
      commandId: ctx.commandId,
    });
  },
});

/** What is sure now, of those that were wanted, and waits for no second person. */
function sureOnes(ctx: CommandContext, wanted: ReadonlySet<number> | null): readonly Proposal[] {
  const asked = new Set(approvalsWaiting(ctx.db).map(({ receiptId }) => receiptId));
  return proposalsOf(ctx.db).filter(
    ({ decision, receiptId }) =>
      decision === "sure" && !asked.has(receiptId) && (wanted === null || wanted.has(receiptId)),
  );
}

/** Whether a reading is not the one that was looked at. */
const isOtherwise = (best: MatchCandidate, said: string | undefined): boolean =>
  best.customerId === null || (said !== undefined && said !== saidOf(best));

/** Posts what a reading says; null where it does not fit what is open now. */
function postReading(
  ctx: CommandContext,
  receipt: ReceiptRow,
  { lines: read, customerId, surcharge = minor(0) }: MatchCandidate,
): Result<number | null> {
  const lines = read.map(({ itemId, amount, discount }) => ({
    itemId,
    amount,
    discount,
    smallDifference: minor(0),
  }));
  const available = receipt.unidentified;
  const checked = checkTally(ctx, receipt, { lines, customerId, available, surcharge });
  if (!checked.ok) return ok(null);
  return applyTally(ctx, { receipt, lines, checked: checked.value, from: "unidentified" });
}
