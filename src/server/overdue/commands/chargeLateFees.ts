import { z } from "zod";

import { addDays } from "@/core/calendar";
import { inBook, postLateFee } from "@/core/ledger";
import { minor } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { insertLateFee } from "@/db/lateFees";
import { insertOpenItem } from "@/db/openItems";
import { proposalsOf } from "@/server/match/proposals";
import { dropReturnFees } from "@/server/payouts/steps/returnFee";
import { defineCommand } from "@/server/runtime/command";
import type { Reversal } from "@/server/runtime/reversal";

import { proposedFees } from "../queries/lateFees";
import { overdueRows } from "../queries/overdue";

/** Days that a customer has to pay a late fee. */
const DUE_DAYS = 14;
/**
 * Charges late fees that were looked at, each as an open item of its own; those that are not due
 * any more are left out.
 */
export const chargeLateFees = defineCommand({
  name: "chargeLateFees",
  schema: z.object({
    fees: z
      .array(
        z.object({
          itemId: z.number().int(),
          /** For a letter; null for the time that passed. */
          letterId: z.number().int().nullable().default(null),
        }),
      )
      .min(1)
      .max(5000),
  }),
  run(ctx, input): Result<{ charged: number; commandId: number }> {
    const keyOf = ({ itemId, letterId }: { itemId: number; letterId: number | null }): string =>
      `${itemId} ${letterId ?? ""}`;
    const wanted = new Set(input.fees.map(keyOf));
    const due = proposedFees(
      ctx.db,
      ctx.today,
      overdueRows(ctx.db, ctx.today, proposalsOf(ctx.db)),
    ).filter((fee) => wanted.has(keyOf(fee)));
    if (due.length === 0) return fail("late_fee.none");
    for (const fee of due) {
      const actId = ctx.act(
        "late_fee",
        { kind: "customer", id: fee.customerId, customerId: fee.customerId },
        `late fee of ${ctx.sum(fee.sum, fee.currency)} on ${fee.number}, ${fee.letterId === null ? `up to ${fee.through}` : `for the ${fee.words} of ${fee.through}`}`,
      );
      const number = `LF-${fee.number}-${actId}`;
      const id = insertOpenItem(ctx.db, {
        kind: "late_fee",
        number,
        customerId: fee.customerId,
        issuedOn: ctx.today,
        dueOn: addDays(ctx.today, DUE_DAYS),
        currency: fee.currency,
        total: fee.sum,
        tax: minor(0),
        opened: fee.sum,
        balance: fee.sum,
        openedOn: ctx.today,
        poNumber: null,
        terms: null,
        description:
          fee.letterId === null
            ? `late fee on ${fee.number}`
            : `fee for the ${fee.words} of ${fee.through}`,
        fileId: null,
        lineNo: null,
      });
      ctx.post(
        postLateFee({
          on: ctx.today,
          partyId: fee.customerId,
          document: { kind: "open_item", id, text: `late fee ${number}` },
          itemId: id,
          sum: inBook(fee.sum, fee.currency),
        }),
        actId,
      );
      insertLateFee(ctx.db, {
        itemId: fee.itemId,
        feeItemId: id,
        through: fee.through,
        sum: fee.sum,
        actId,
        letterId: fee.letterId,
      });
    }
    return ok({ charged: due.length, commandId: ctx.commandId });
  },
});

/** A late fee that nobody paid is gone. */
export const unchargeLateFee: Reversal = (ctx, act) => {
  const paid = dropReturnFees(ctx, act.id);
  return paid === null ? ok(null) : fail("act.rests", { what: `${paid} was paid meanwhile` });
};
