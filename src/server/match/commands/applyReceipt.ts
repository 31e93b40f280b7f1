import { z } from "zod";

import { minor } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { approvalOf, decideApproval } from "@/db/approvals";
import { customerById } from "@/db/customers";
import { insertCorrection } from "@/db/learning";
import { receiptById } from "@/db/receipts";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";

import { checkTally, applyTally } from "../steps/applyReceipt";

const amount = z.number().int().transform(minor);
/** A tally as the page sends it: minor units, an open item's id, and whose account the rest is kept on. */
export const tallySchema = z.object({
  receiptId: z.number().int(),
  customerId: z.number().int().nullable(),
  lines: z
    .array(
      z.object({
        itemId: z.number().int(),
        amount,
        discount: amount.default(() => minor(0)),
        smallDifference: amount.default(() => minor(0)),
      }),
    )
    .max(500),
});
/**
 * Posts a tally put together for a receipt that has no home yet: to invoices,
 * the rest on account. `proposedCustomerId` is whom the page had proposed:
 * where the clerk chose another, the book learns from the correction at once.
 * `recovered`: what it pays of debts that were given up. `credits`: what earlier receipts have on
 * account and gives along, in one go.
 */
export const applyReceipt = defineCommand({
  name: "applyReceipt",
  schema: tallySchema.extend({
    proposedCustomerId: z.number().int().nullable().default(null),
    credits: z
      .array(z.object({ receiptId: z.number().int(), itemId: z.number().int(), amount }))
      .max(50)
      .default([]),
    surcharge: amount.default(() => minor(0)),
    recovered: amount.default(() => minor(0)),
  }),
  run(ctx, input): Result<{ actId: number; commandId: number }> {
    const receipt = receiptById(ctx.db, input.receiptId);
    if (!receipt) return fail("receipt.unknown");
    if (receipt.state !== "to_match") return fail("receipt.not_to_match");
    const checked = checkTally(ctx, receipt, input.lines, input.customerId, receipt.unidentified, {
      surcharge: input.surcharge,
      recovered: input.recovered,
    });
    if (!checked.ok) return checked;
    const placed = applyTally(ctx, receipt, input.lines, checked.value, "unidentified");
    if (!placed.ok) return placed;
    const [wrong, right] = [input.proposedCustomerId, checked.value.customerId];
    if (wrong !== null && wrong !== right && customerById(ctx.db, wrong))
      insertCorrection(ctx.db, {
        receiptId: receipt.id,
        payerName: receipt.payerName,
        payerEmail: receipt.payerEmail,
        notCustomerId: wrong,
        customerId: right,
        actId: placed.value,
      });
    withdrawApproval(ctx, receipt.id);
    for (const from of new Set(input.credits.map(({ receiptId }) => receiptId))) {
      const earlier = receiptById(ctx.db, from);
      if (!earlier) return fail("receipt.unknown");
      const lines = input.credits
        .filter(({ receiptId }) => receiptId === from)
        .map(({ itemId, amount: sum }) => ({
          itemId,
          amount: sum,
          discount: minor(0),
          smallDifference: minor(0),
        }));
      const fits = checkTally(ctx, earlier, lines, earlier.customerId, earlier.onAccount);
      if (!fits.ok) return fits;
      const given = applyTally(ctx, earlier, lines, fits.value, "credits");
      if (!given.ok) return given;
    }
    return ok({ actId: placed.value, commandId: ctx.commandId });
  },
});
/** A question that something else has settled is asked no more. */
export function withdrawApproval(ctx: CommandContext, receiptId: number): void {
  const asked = approvalOf(ctx.db, receiptId);
  if (asked) decideApproval(ctx.db, asked.id, { state: "withdrawn", by: ctx.who.actor, why: null });
}
