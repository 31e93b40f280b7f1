import { z } from "zod";

import { minor, sumOf } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import {
  approvalById,
  approvalOf,
  decideApproval,
  insertApproval,
  setPlacedAct,
} from "@/db/approvals";
import { customerById } from "@/db/customers";
import { insertCorrection } from "@/db/learning";
import { receiptById } from "@/db/receipts";

import { defineCommand } from "../command";
import type { Ctx } from "../context";
import { checkTally, place, isOverLimit } from "../steps/place";

const amount = z.number().int().transform(minor);

/** A tally as the page sends it: minor units, an open item's id, and whose account the rest is kept on. */
const tallySchema = z.object({
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
 * `recovered`: what it pays of debts that were given up. `credits`: what earlier receipts have on account and gives along, in one go.
 */
export const placeReceipt = defineCommand({
  name: "placeReceipt",
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
    const placed = place(ctx, receipt, input.lines, checked.value, "unidentified");
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
      const given = place(ctx, earlier, lines, fits.value, "credits");
      if (!given.ok) return given;
    }
    return ok({ actId: placed.value, commandId: ctx.commandId });
  },
});

/** A tally that writes off more than the limit waits for a second person; nothing is posted until then. */
export const askApproval = defineCommand({
  name: "askApproval",
  schema: tallySchema.extend({
    why: z.string().trim().min(3, "Say why it is given up, in a few words.").max(200),
  }),
  run(ctx, input): Result<{ actId: number; approvalId: number }> {
    const receipt = receiptById(ctx.db, input.receiptId);
    if (!receipt) return fail("receipt.unknown");
    if (receipt.state !== "to_match") return fail("receipt.not_to_match");
    if (ctx.settings.people.length < 2) return fail("approval.people");
    const checked = checkTally(ctx, receipt, input.lines, input.customerId, receipt.unidentified, {
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
    const checked = checkTally(ctx, receipt, tally.lines, tally.customerId, receipt.unidentified, {
      writeOffs: "approved",
    });
    if (!checked.ok) return checked;
    ctx.act(
      "decide",
      { kind: "receipt", id: receipt.id, customerId: checked.value.customerId },
      `write-off of ${ctx.sum(asked.sum)} approved, asked by ${asked.askedBy}: ${asked.why}`,
    );
    const placed = place(ctx, receipt, tally.lines, checked.value, "unidentified");
    if (!placed.ok) return placed;
    setPlacedAct(ctx.db, asked.id, placed.value);
    return ok({ actId: placed.value });
  },
});

/** A question that something else has settled is asked no more. */
function withdrawApproval(ctx: Ctx, receiptId: number): void {
  const asked = approvalOf(ctx.db, receiptId);
  if (asked) decideApproval(ctx.db, asked.id, { state: "withdrawn", by: ctx.who.actor, why: null });
}

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
