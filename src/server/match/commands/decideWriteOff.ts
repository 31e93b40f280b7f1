import { z } from "zod";

import { fail, ok, type Result } from "@/core/result";
import { approvalById, decideApproval, setPlacedAct } from "@/db/approvals";
import { receiptById } from "@/db/receipts";
import { defineCommand } from "@/server/runtime/command";

import { applyTally } from "../steps/applyTally";
import { checkTally } from "../steps/checkTally";
import { tallySchema } from "./applyReceipt";

/** The second person approves (then it is posted) or refuses (then the receipt is the clerk's again). */
export const decideWriteOff = defineCommand({
  name: "decideWriteOff",
  schema: z.object({
    approvalId: z.number().int(),
    approve: z.boolean(),
    why: z.string().trim().max(200).default(""),
  }),
  run(ctx, input): Result<{ actId: number }> {
    const asked = approvalById(ctx.db, input.approvalId);
    const receipt = asked && receiptById(ctx.db, asked.receiptId);
    if (!asked || asked.state !== "waiting" || !receipt) return fail("approval.unknown");
    if (asked.askedBy === ctx.who.actor)
      return fail("approval.same_person", { person: asked.askedBy });
    decideApproval(ctx.db, asked.id, {
      state: input.approve ? "approved" : "refused",
      by: ctx.who.actor,
      why: input.why || null,
    });
    if (!input.approve)
      return ok({
        actId: ctx.act(
          "decide",
          { kind: "receipt", id: receipt.id },
          `write-off of ${ctx.sum(asked.sum)} refused${input.why ? `: ${input.why}` : ""}`,
        ),
      });
    const tally = tallySchema.omit({ receiptId: true }).parse(JSON.parse(asked.tally));
    const checked = checkTally(ctx, receipt, {
      lines: tally.lines,
      customerId: tally.customerId,
      available: receipt.unidentified,
      writeOffs: "approved",
    });
    if (!checked.ok) return checked;
    ctx.act(
      "decide",
      { kind: "receipt", id: receipt.id, customerId: checked.value.customerId },
      `write-off of ${ctx.sum(asked.sum)} approved, asked by ${asked.askedBy}: ${asked.why}`,
    );
    const placed = applyTally(ctx, {
      receipt,
      lines: tally.lines,
      checked: checked.value,
      from: "unidentified",
    });
    if (!placed.ok) return placed;
    setPlacedAct(ctx.db, asked.id, placed.value);
    return ok({ actId: placed.value });
  },
});
