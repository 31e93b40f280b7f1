import { z } from "zod";

import { minor } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { itemsOfReceipt, type ProcessorItemRow } from "@/db/processor";
import { receiptById, type ReceiptRow } from "@/db/receipts";
import { insertRefund, refundByKey, type RefundRow } from "@/db/refunds";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";

import { freeToGoBack } from "../steps/freeToGoBack";

const schema = z.object({
  /** The processor sends back each key once: the same again is the same refund. */
  key: z.string().regex(/^[A-Za-z0-9_-]{8,80}$/),
  receiptId: z.number().int(),
  amount: z.number().int().positive().transform(minor),
  /** The credit note that is paid out; without one it is credit on account. */
  creditNoteId: z.number().int().nullable().default(null),
  why: z.string().trim().min(3).max(200),
});
type Asked = z.output<typeof schema>;

/**
 * Keeps that money is to go back the way it came, before the processor is asked; over the limit of
 * the book it waits for a second person. Errors: receipt.unknown, refund.way (it did not come by the
 * processor), refund.free (so much is not free to go back), refund.note (no such credit note).
 */
export const askRefund = defineCommand({
  name: "askRefund",
  schema,
  run(ctx, asked): Result<Pick<RefundRow, "id" | "state">> {
    const before = refundByKey(ctx.db, asked.key);
    if (before)
      return before.receiptId === asked.receiptId && before.amount === asked.amount
        ? ok({ id: before.id, state: before.state })
        : fail("pay.key");
    const receipt = receiptById(ctx.db, asked.receiptId);
    if (!receipt) return fail("receipt.unknown");
    const charge = chargeOf(ctx, receipt.id);
    if (!charge) return fail("refund.way");
    const free = freeToGoBack(ctx.db, receipt, asked);
    if (free === null) return fail("refund.note");
    if (asked.amount > free)
      return fail("refund.free", {
        sum: ctx.sum(asked.amount, receipt.currency),
        credit: ctx.sum(free, receipt.currency),
      });
    // What could not be posted is not sent.
    const stale = ctx.staleRate(receipt.currency, ctx.today);
    if (stale) return { ok: false, error: stale };
    return ok(keep(ctx, asked, { receipt, charge }));
  },
});

const chargeOf = ({ db }: CommandContext, receiptId: number): ProcessorItemRow | undefined =>
  itemsOfReceipt(db, receiptId).find(({ kind }) => kind === "charge");

function keep(
  ctx: CommandContext,
  { key, amount, creditNoteId, why }: Asked,
  { receipt, charge }: { receipt: ReceiptRow; charge: ProcessorItemRow },
): Pick<RefundRow, "id" | "state"> {
  const { approvalOver } = ctx.settings;
  const state = approvalOver !== null && amount > approvalOver ? "waiting" : "asked";
  const id = insertRefund(ctx.db, {
    key,
    receiptId: receipt.id,
    processorAccountId: charge.processorAccountId,
    chargeId: charge.externalId,
    currency: receipt.currency,
    amount,
    creditNoteId,
    why,
    askedBy: ctx.who.actor,
    askedOn: ctx.today,
    state,
  });
  const then = state === "waiting" ? ", waits for a second person" : "";
  // Nothing rests on what was only asked for.
  ctx.act(
    "decide",
    { kind: "receipt", id: receipt.id, customerId: receipt.customerId },
    `${ctx.sum(amount, receipt.currency)} to go back: ${why}${then}`,
  );
  return { id, state };
}
