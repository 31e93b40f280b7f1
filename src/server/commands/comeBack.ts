import { z } from "zod";

import { addBankingDays, type Day } from "@/core/calendar";
import { inBook, postRefundAtBank } from "@/core/ledger";
import { minor, negate } from "@/core/money";
import { move, retryOf } from "@/core/receipts";
import { fail, ok, type Result } from "@/core/result";
import { bankAccounts, bankLineById, setBankLineState } from "@/db/bank";
import { insertRetry, noticeById, retriesOf, setAnswered, setMended } from "@/db/comeBack";
import { processorItemById } from "@/db/processor";
import { partsOf, receiptById, updateReceipt } from "@/db/receipts";

import { defineCommand } from "../command";

const isoDay = z.iso.date().transform((text) => text as Day);

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

/** An account was mended as its bank told (notification of change). */
export const mendAccount = defineCommand({
  name: "mendAccount",
  schema: z.object({ noticeId: z.number().int() }),
  run(ctx, input): Result<{ actId: number }> {
    const notice = noticeById(ctx.db, input.noticeId);
    if (!notice || notice.mendedOn !== null) return fail("notice.unknown");
    const actId = ctx.act(
      "mend",
      { kind: "change_notice", id: notice.id, customerId: notice.customerId },
      `account of ${notice.name} mended, as its bank told (${notice.code})`,
    );
    setMended(ctx.db, notice.id, ctx.today, actId);
    return ok({ actId });
  },
});

/** A dispute was answered: the proof has gone to the processor. */
export const answerDispute = defineCommand({
  name: "answerDispute",
  schema: z.object({
    processorItemId: z.number().int(),
    why: z.string().trim().min(3, "Say what was sent, in a few words.").max(300),
  }),
  run(ctx, input): Result<{ actId: number }> {
    const item = processorItemById(ctx.db, input.processorItemId);
    if (
      !item ||
      item.kind !== "dispute" ||
      item.settledState !== "opened" ||
      item.answeredOn !== null
    )
      return fail("dispute.unknown");
    const receipt = item.receiptId === null ? undefined : receiptById(ctx.db, item.receiptId);
    const actId = ctx.act(
      "answer",
      { kind: "processor_item", id: item.id, customerId: receipt?.customerId ?? null },
      `dispute ${item.externalId} answered: ${input.why}`,
    );
    setAnswered(ctx.db, item.id, ctx.today);
    return ok({ actId });
  },
});

/** Credit on account that was sent back from the bank itself: K; B. */
export const refundAtBank = defineCommand({
  name: "refundAtBank",
  schema: z.object({ lineId: z.number().int(), receiptId: z.number().int() }),
  run(ctx, input): Result<{ actId: number }> {
    const line = bankLineById(ctx.db, input.lineId);
    const receipt = receiptById(ctx.db, input.receiptId);
    if (!line) return fail("line.unknown");
    if (line.state !== "open" || line.amount >= 0) return fail("line.explained");
    if (!receipt) return fail("receipt.unknown");
    const sum = negate(line.amount);
    if (receipt.onAccount < sum || receipt.currency !== line.currency)
      return fail("refund.more", { sum: ctx.sum(sum), credit: ctx.sum(receipt.onAccount) });
    const bank = bankAccounts(ctx.db).find(({ id }) => id === line.bankAccountId);
    if (!bank) throw new Error("a bank line has its account");
    const none = minor(0);
    const moved = move(receipt.state, partsOf(receipt), {
      kind: "gone_back",
      parts: {
        unidentified: none,
        onAccount: sum,
        applied: none,
        parked: none,
        income: none,
        surcharge: none,
        recovered: none,
      },
    });
    if (!moved.ok) return moved;
    const actId = ctx.act(
      "refund",
      { kind: "receipt", id: receipt.id, customerId: receipt.customerId },
      `${ctx.sum(sum)} sent back from the bank`,
    );
    updateReceipt(ctx.db, receipt.id, {
      state: moved.value.state,
      parts: moved.value.parts,
      customerId: receipt.customerId,
      reason: receipt.reason,
    });
    ctx.post(
      postRefundAtBank({
        on: line.postedOn,
        partyId: receipt.customerId,
        document: {
          kind: "bank_line",
          id: line.id,
          text: `refund to ${receipt.payerName || receipt.payerEmail || "the payer"}`,
        },
        bank: bank.code,
        bankLineId: line.id,
        receiptId: receipt.id,
        sum: inBook(sum, line.currency),
      }),
      actId,
    );
    setBankLineState(ctx.db, line.id, "refund", receipt.id);
    return ok({ actId });
  },
});
