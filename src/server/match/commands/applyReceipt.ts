import { z } from "zod";

import { add, minor } from "@/core/money";
import { move } from "@/core/receipts";
import { fail, ok, type Result } from "@/core/result";
import { actsOf } from "@/db/acts";
import { applicationsOfReceipt, endApplication } from "@/db/applications";
import { approvalOf, decideApproval, reopenApproval } from "@/db/approvals";
import { customerById } from "@/db/customers";
import { insertCorrection } from "@/db/learning";
import { changeBalance } from "@/db/openItems";
import { partsOf, receiptById, updateReceipt } from "@/db/receipts";
import { restsOn } from "@/server/books/steps/restsOn";
import { notRecovered } from "@/server/overdue/steps/unWriteOff";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";
import type { Reversal } from "@/server/runtime/reversal";

import { applyTally } from "../steps/applyTally";
import { checkTally } from "../steps/checkTally";

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
 * `recovered`: what it pays of debts that were written off. `credits`: what earlier receipts have on
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
    const checked = checkTally(ctx, receipt, {
      lines: input.lines,
      customerId: input.customerId,
      available: receipt.unidentified,
      surcharge: input.surcharge,
      recovered: input.recovered,
    });
    if (!checked.ok) return checked;
    const placed = applyTally(ctx, {
      receipt,
      lines: input.lines,
      checked: checked.value,
      from: "unidentified",
    });
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
      const fits = checkTally(ctx, earlier, {
        lines: lines,
        customerId: earlier.customerId,
        available: earlier.onAccount,
      });
      if (!fits.ok) return fits;
      const given = applyTally(ctx, {
        receipt: earlier,
        lines,
        checked: fits.value,
        from: "credits",
      });
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

/** Gives back what a receipt paid: its invoices are open again, its credit is no more. */
export const unapplyReceipt: Reversal = (ctx, act, by) => {
  const receipt = receiptById(ctx.db, act.subjectId);
  if (!receipt) return fail("receipt.unknown");
  const what = restsOn(ctx, act);
  if (what !== null) return fail("act.rests", { what });
  reopenApproval(ctx.db, act.id);
  let applied = minor(0);
  for (const application of applicationsOfReceipt(ctx.db, receipt.id).filter(
    ({ actId, endedBy }) => actId === act.id && endedBy === null,
  )) {
    endApplication(ctx.db, application.id, by);
    changeBalance(
      ctx.db,
      application.openItemId,
      add(application.amount, application.discount, application.smallDifference),
    );
    applied = add(applied, application.amount);
  }
  const recovered = notRecovered(ctx, act.customerId, receipt.currency);
  if (recovered) return recovered;
  const earlier = actsOf(ctx.db, "receipt", receipt.id).some(
    (actHere) => actHere.kind === "place" && actHere.id < act.id && actHere.undoneBy === null,
  );
  if (earlier) {
    const parts = {
      ...partsOf(receipt),
      applied: add(receipt.applied, -applied),
      onAccount: add(receipt.onAccount, applied),
    };
    updateReceipt(ctx.db, receipt.id, {
      state: receipt.state,
      parts,
      customerId: receipt.customerId,
      reason: receipt.reason,
    });
    return ok(null);
  }
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
