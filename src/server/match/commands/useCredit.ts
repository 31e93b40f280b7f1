import { fail, ok, type Result } from "@/core/result";
import { receiptById } from "@/db/receipts";
import { defineCommand } from "@/server/runtime/command";

import { applyTally } from "../steps/applyTally";
import { checkTally } from "../steps/checkTally";
import { tallySchema } from "./applyReceipt";

/** Gives money that stands on a customer's account to open items of the group. */
export const useCredit = defineCommand({
  name: "useCredit",
  schema: tallySchema,
  run(ctx, input): Result<{ actId: number }> {
    const receipt = receiptById(ctx.db, input.receiptId);
    if (!receipt) return fail("receipt.unknown");
    if (input.lines.length === 0) return fail("tally.empty");
    const checked = checkTally(ctx, receipt, {
      lines: input.lines,
      customerId: receipt.customerId,
      available: receipt.onAccount,
    });
    if (!checked.ok) return checked;
    const placed = applyTally(ctx, {
      receipt,
      lines: input.lines,
      checked: checked.value,
      from: "credits",
    });
    return placed.ok ? ok({ actId: placed.value }) : placed;
  },
});
