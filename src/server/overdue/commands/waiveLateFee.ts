import { z } from "zod";

import { fail, type Result } from "@/core/result";
import { actById } from "@/db/acts";
import { lateFees, setWaived } from "@/db/lateFees";
import { undoAct } from "@/server/books/commands/undo";
import { defineCommand } from "@/server/runtime/command";

/**
 * Waives a late fee that was charged and not paid, with a reason: its entry is undone, and it is
 * not asked for again.
 */
export const waiveLateFee = defineCommand({
  name: "waiveLateFee",
  schema: z.object({
    feeId: z.number().int(),
    reason: z.string().trim().min(3, "Say why, in a few words.").max(200),
  }),
  run(ctx, input): Result<{ actId: number }> {
    const fee = lateFees(ctx.db).find(({ id }) => id === input.feeId);
    const act = fee && actById(ctx.db, fee.actId);
    if (!act) return fail("late_fee.unknown");
    const undone = undoAct(ctx, act, `waived: ${act.text}: ${input.reason}`);
    if (undone.ok) setWaived(ctx.db, fee.id);
    return undone;
  },
});
