import { z } from "zod";

import { minor, negate } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { insertProcessorItem, processorItemByExternalId } from "@/db/processor";
import { processorAccounts } from "@/db/processorAccounts";
import { receiptById } from "@/db/receipts";
import { refundByKey, type RefundRow, setRefund } from "@/db/refunds";
import { customerOf, postActivity } from "@/server/arrivals/steps/activity";
import { applyTally } from "@/server/match/steps/applyTally";
import { checkTally } from "@/server/match/steps/checkTally";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";

const answer = z.discriminatedUnion("state", [
  z.object({ state: z.literal("sent"), refundId: z.string().min(1).max(80) }),
  z.object({ state: z.literal("refused"), code: z.string().max(40) }),
]);

/** Keeps what the processor said of a refund: what was sent back is posted as its file will tell it. */
export const noteRefund = defineCommand({
  name: "noteRefund",
  schema: z.object({ key: z.string(), answer }),
  run(ctx, { key, answer: said }): Result<Pick<RefundRow, "state" | "code">> {
    const refund = refundByKey(ctx.db, key);
    if (!refund) return fail("pay.unknown");
    if (refund.state !== "asked") return ok({ state: refund.state, code: refund.code });
    const code = said.state === "refused" ? said.code : null;
    setRefund(ctx.db, refund.id, { state: said.state, code, decidedBy: refund.decidedBy });
    if (said.state === "sent") {
      post(ctx, refund, said.refundId);
      useNote(ctx, refund);
    } else tell(ctx, refund, "decide", `was refused by the processor (${said.code})`);
    return ok({ state: said.state, code });
  },
});

/** Posts it under the processor's own id; where its file was quicker, it stands already. */
function post(ctx: CommandContext, refund: RefundRow, externalId: string): void {
  const { processorAccountId, currency, chargeId, receiptId } = refund;
  const account = processorAccounts(ctx.db).find(({ id }) => id === processorAccountId);
  if (!account) throw new Error("a refund goes by an account of the book");
  if (processorItemByExternalId(ctx.db, processorAccountId, "refund", externalId)) return;
  const item = {
    processorAccountId,
    externalId,
    kind: "refund" as const,
    occurredOn: ctx.today,
    settledOn: ctx.today,
    currency,
    amount: negate(refund.amount),
    payoutId: null,
    relatedId: chargeId,
    origin: "file" as const,
    reason: null,
    settledState: null,
    returnCode: null,
    answerBy: null,
    answeredOn: null,
    brand: null,
    abroad: 0 as const,
    fileId: null,
    lineNo: null,
    receiptId,
  };
  const id = insertProcessorItem(ctx.db, item, receiptId);
  const actId = tell(ctx, refund, "paying", `sent back as ${externalId}`);
  const customerId = customerOf(ctx, item);
  postActivity(ctx, account, { item: { ...item, id }, kind: "refund", customerId }, actId);
}

/**
 * A credit note that is paid out is used up by it; where that is not possible any more, Returns and
 * disputes says what is missing.
 */
function useNote(ctx: CommandContext, { receiptId, creditNoteId, amount }: RefundRow): void {
  const receipt = receiptById(ctx.db, receiptId);
  if (!receipt || creditNoteId === null) return;
  const none = minor(0);
  const lines = [
    { itemId: creditNoteId, amount: negate(amount), discount: none, smallDifference: none },
  ];
  ctx.part(() => {
    const { customerId, onAccount: available } = receipt;
    const checked = checkTally(ctx, receipt, { lines, customerId, available });
    return checked.ok
      ? applyTally(ctx, { receipt, lines, checked: checked.value, from: "credits" })
      : checked;
  });
}

/** What was sent is gone, and what was before it stands; on what was refused nothing rests. */
function tell(
  ctx: CommandContext,
  refund: RefundRow,
  kind: "paying" | "decide",
  words: string,
): number {
  const receipt = receiptById(ctx.db, refund.receiptId);
  return ctx.act(
    kind,
    { kind: "receipt", id: refund.receiptId, customerId: receipt?.customerId ?? null },
    `${ctx.sum(refund.amount, refund.currency)} ${words}`,
  );
}
