import { z } from "zod";

import { inBook, postOtherIncome, postSetAside } from "@/core/ledger";
import { move } from "@/core/receipts";
import { fail, ok, type Result } from "@/core/result";
import { partsOf, receiptById, updateReceipt } from "@/db/receipts";
import { restsOn } from "@/server/books/steps/restsOn";
import { defineCommand } from "@/server/runtime/command";
import type { Reversal } from "@/server/runtime/reversal";

/**
 * Puts a receipt aside that is not for an invoice: money of another business (U; parked), or other
 * income (U; other income). Undo takes it back.
 */
export const setAside = defineCommand({
  name: "setAside",
  schema: z.object({
    receiptId: z.number().int(),
    reason: z.string().trim().min(1, "Say why, in a few words.").max(200),
    as: z.enum(["parked", "income"]).default("parked"),
  }),
  run(ctx, input): Result<{ actId: number }> {
    const receipt = receiptById(ctx.db, input.receiptId);
    if (!receipt) return fail("receipt.unknown");
    const moved = move(receipt.state, partsOf(receipt), {
      kind: input.as === "income" ? "other_income" : "set_aside",
    });
    if (!moved.ok) return moved;
    const actId = ctx.act(
      "set_aside",
      { kind: "receipt", id: receipt.id },
      `${ctx.sum(receipt.unidentified, receipt.currency)} ${input.as === "income" ? "booked as other income" : "set aside"}: ${input.reason}`,
    );
    updateReceipt(ctx.db, receipt.id, {
      state: moved.value.state,
      parts: moved.value.parts,
      customerId: null,
      reason: input.reason,
    });
    const document = {
      kind: "receipt" as const,
      id: receipt.id,
      text: `receipt ${receipt.id}, ${receipt.payerName || receipt.payerEmail}`,
    };
    ctx.post(
      (input.as === "income" ? postOtherIncome : postSetAside)({
        on: ctx.today > receipt.settledOn ? ctx.today : receipt.settledOn,
        document,
        receiptId: receipt.id,
        sum: inBook(receipt.unidentified, receipt.currency),
      }),
      actId,
    );
    return ok({ actId });
  },
});

/** A receipt that was set aside waits in Match again. */
export const takeBackFromAside: Reversal = (ctx, act) => {
  const receipt = receiptById(ctx.db, act.subjectId);
  if (!receipt) return fail("receipt.unknown");
  const what = restsOn(ctx, act);
  if (what !== null) return fail("act.rests", { what });
  const moved = move(receipt.state, partsOf(receipt), { kind: "taken_back" });
  if (!moved.ok) return moved;
  updateReceipt(ctx.db, receipt.id, {
    state: moved.value.state,
    parts: moved.value.parts,
    customerId: null,
    reason: null,
  });
  return ok(null);
};
