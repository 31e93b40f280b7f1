import { z } from "zod";

import { minor } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { receiptById } from "@/db/receipts";

import { defineCommand } from "../command";
import { checkTally, place } from "../steps/place";

const amount = z.number().int().transform(minor);

/** A tally as the page sends it: minor units, an open item's id, and whose account the rest is kept on. */
export const tallySchema = z.object({
  receiptId: z.number().int(),
  customerId: z.number().int().nullable(),
  lines: z.array(z.object({ itemId: z.number().int(), amount, discount: amount.default(() => minor(0)), smallDifference: amount.default(() => minor(0)) })).max(500),
});

/** Posts a tally put together for a receipt that has no home yet: to invoices, the rest on account. */
export const placeReceipt = defineCommand({
  name: "placeReceipt",
  schema: tallySchema,
  run(ctx, input): Result<{ actId: number }> {
    const receipt = receiptById(ctx.db, input.receiptId);
    if (!receipt) return fail("receipt.unknown");
    if (receipt.state !== "to_match") return fail("receipt.not_to_match");
    const checked = checkTally(ctx, receipt, input.lines, input.customerId, receipt.unidentified);
    if (!checked.ok) return checked;
    const placed = place(ctx, receipt, input.lines, checked.value, "unidentified");
    return placed.ok ? ok({ actId: placed.value }) : placed;
  },
});

/** Gives money that stands on a customer's account to open items of the group. */
export const useCredit = defineCommand({
  name: "useCredit",
  schema: tallySchema,
  run(ctx, input): Result<{ actId: number }> {
    const receipt = receiptById(ctx.db, input.receiptId);
    if (!receipt) return fail("receipt.unknown");
    if (input.lines.length === 0) return fail("tally.empty");
    const checked = checkTally(ctx, receipt, input.lines, receipt.customerId, receipt.onAccount);
    if (!checked.ok) return checked;
    const placed = place(ctx, receipt, input.lines, checked.value, "credits");
    return placed.ok ? ok({ actId: placed.value }) : placed;
  },
});
