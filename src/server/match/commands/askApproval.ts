import { z } from "zod";

import { sumOf } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { approvalOf, decideApproval, insertApproval } from "@/db/approvals";
import { receiptById } from "@/db/receipts";
import { withdrawWriteOff } from "@/server/overdue/steps/unWriteOff";
import { defineCommand } from "@/server/runtime/command";
import type { Reversal } from "@/server/runtime/reversal";

import { checkTally, isOverLimit } from "../steps/checkTally";
import { tallySchema, withdrawApproval } from "./applyReceipt";

/** A tally that writes off more than the limit waits for a second person; nothing is posted until then. */
export const askApproval = defineCommand({
  name: "askApproval",
  schema: tallySchema.extend({
    why: z.string().trim().min(3, "Say why it is written off, in a few words.").max(200),
  }),
  run(ctx, input): Result<{ actId: number; approvalId: number }> {
    const receipt = receiptById(ctx.db, input.receiptId);
    if (!receipt) return fail("receipt.unknown");
    if (receipt.state !== "to_match") return fail("receipt.not_to_match");
    if (ctx.settings.people.length < 2) return fail("approval.people");
    const checked = checkTally(ctx, receipt, {
      lines: input.lines,
      customerId: input.customerId,
      available: receipt.unidentified,
      writeOffs: "approved",
    });
    if (!checked.ok) return checked;
    const sum = sumOf(
      input.lines.filter((line) => isOverLimit(ctx, receipt, line.smallDifference)),
      (line) => line.smallDifference,
    );
    if (sum === 0)
      return fail("approval.not_needed", { limit: ctx.sum(ctx.settings.smallDifferenceLimit) });
    withdrawApproval(ctx, receipt.id);
    const actId = ctx.act(
      "ask",
      { kind: "receipt", id: receipt.id, customerId: checked.value.customerId },
      `a write-off of ${ctx.sum(sum, receipt.currency)} waits for a second person: ${input.why}`,
    );
    const tally = JSON.stringify({ customerId: checked.value.customerId, lines: input.lines });
    return ok({
      actId,
      approvalId: insertApproval(ctx.db, {
        receiptId: receipt.id,
        tally,
        sum,
        why: input.why,
        askedBy: ctx.who.actor,
        askedOn: ctx.today,
        actId,
      }),
    });
  },
});

/** What was asked of a second person is asked no more. */
export const withdrawRequest: Reversal = (ctx, act) => {
  if (act.subjectKind === "open_item") return withdrawWriteOff(ctx, act);
  const asked = approvalOf(ctx.db, act.subjectId);
  if (asked?.actId !== act.id) return fail("approval.unknown");
  decideApproval(ctx.db, asked.id, { state: "withdrawn", by: ctx.who.actor, why: null });
  return ok(null);
};
