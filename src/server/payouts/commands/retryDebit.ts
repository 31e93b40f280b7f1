import { z } from "zod";

import { isoDay } from "@/contracts/values";
import { addBankingDays, type Day } from "@/core/calendar";
import { retryOf } from "@/core/receipts";
import { fail, ok, type Result } from "@/core/result";
import { processorItemById, type ProcessorItemRow } from "@/db/processor";
import { receiptById, type ReceiptRow } from "@/db/receipts";
import { deleteRetryOfAct, insertRetry, retriesOf } from "@/db/returnsAndDisputes";
import { defineCommand } from "@/server/runtime/command";
import { type CommandContext } from "@/server/runtime/context";
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
    const found = debitToRetry(ctx, input);
    if (!found.ok) return found;
    const { item, receipt, nth } = found.value;
    const on = addBankingDays(input.on, 0);
    const actId = ctx.act(
      "retry",
      { kind: "receipt", id: receipt.id, customerId: receipt.customerId },
      `debit of ${ctx.sum(receipt.amount, receipt.currency)} is tried again on ${on}, the ${nth === 1 ? "first" : "second"} time`,
    );
    insertRetry(ctx.db, {
      returnItemId: item.id,
      receiptId: receipt.id,
      nth,
      plannedOn: on,
      actId,
    });
    return ok({ actId, on });
  },
});

type DebitToRetry = { item: ProcessorItemRow; receipt: ReceiptRow; nth: 1 | 2 };

/** A debit that came back, whose code and days allow another try that is not planned yet. */
function debitToRetry(
  ctx: CommandContext,
  { returnItemId, on }: { returnItemId: number; on: Day },
): Result<DebitToRetry> {
  const item = processorItemById(ctx.db, returnItemId);
  const receipt = item?.receiptId == null ? undefined : receiptById(ctx.db, item.receiptId);
  if (item?.kind !== "ach_return" || !receipt) return fail("return.unknown");
  const before = retriesOf(ctx.db, receipt.id);
  const code = item.returnCode ?? "";
  const may = retryOf(code, before.length, receipt.settledOn, ctx.today);
  if (!may.may) return fail(WHY_NOT[may.why], { returnCode: code });
  if (on <= ctx.today || addBankingDays(on, 0) > may.until)
    return fail("retry.day", { until: may.until });
  if (before.some(({ plannedOn }) => plannedOn >= ctx.today)) return fail("retry.planned");
  return ok({ item, receipt, nth: before.length === 0 ? 1 : 2 });
}

/** A debit is not tried again. */
export const unretryDebit: Reversal = (ctx, act) => {
  deleteRetryOfAct(ctx.db, act.id);
  return ok(null);
};
