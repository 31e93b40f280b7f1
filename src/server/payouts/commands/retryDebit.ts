import { z } from "zod";

import { isoDay } from "@/contracts/values";
import { addBankingDays, type Day } from "@/core/calendar";
import { retryOf } from "@/core/receipts";
import { fail, ok, type Result } from "@/core/result";
import { processorItemById } from "@/db/processor";
import { receiptById } from "@/db/receipts";
import { deleteRetryOfAct, insertRetry, retriesOf } from "@/db/returnsAndDisputes";
import { defineCommand } from "@/server/runtime/command";
import type { Reversal } from "@/server/runtime/reversal";

const WHY_NOT = {
  account: "retry.account",
  unauthorized: "retry.unauthorized",
  tries: "retry.tries",
  days: "retry.days",
  code: "retry.code",
} as const;
/** Plans another try of a debit that came back, where the rules allow one; on a banking day. */
export const retryDebit = defineCommand({
  name: "retryDebit",
  schema: z.object({ returnItemId: z.number().int(), on: isoDay }),
  run(ctx, input): Result<{ actId: number; on: Day }> {
    const item = processorItemById(ctx.db, input.returnItemId);
    const receipt = item?.receiptId == null ? undefined : receiptById(ctx.db, item.receiptId);
    if (item?.kind !== "ach_return" || !receipt) return fail("return.unknown");
    const before = retriesOf(ctx.db, receipt.id);
    const may = retryOf(item.returnCode ?? "", before.length, receipt.settledOn, ctx.today);
    if (!may.may) return fail(WHY_NOT[may.why], { code: item.returnCode ?? "" });
    const on = addBankingDays(input.on, 0);
    if (input.on <= ctx.today || on > may.until) return fail("retry.day", { until: may.until });
    if (before.some(({ plannedOn }) => plannedOn >= ctx.today)) return fail("retry.planned");
    const actId = ctx.act(
      "retry",
      { kind: "receipt", id: receipt.id, customerId: receipt.customerId },
      `debit of ${ctx.sum(receipt.amount, receipt.currency)} is tried again on ${on}, the ${before.length === 0 ? "first" : "second"} time`,
    );
    insertRetry(ctx.db, {
      returnItemId: item.id,
      receiptId: receipt.id,
      nth: before.length === 0 ? 1 : 2,
      plannedOn: on,
      actId,
    });
    return ok({ actId, on });
  },
});

/** A debit is not tried again. */
export const unretryDebit: Reversal = (ctx, act) => {
  deleteRetryOfAct(ctx.db, act.id);
  return ok(null);
};
