import { z } from "zod";

import { minor } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { receiptById } from "@/db/receipts";
import { refundById, type RefundRow, setRefund } from "@/db/refunds";
import { defineCommand } from "@/server/runtime/command";

import { freeToGoBack } from "../steps/freeToGoBack";

/**
 * A second person lets money go back, or gives the request back; who asked may only take it back.
 * What is let go is asked of the processor by whoever comes first: the page, or the clock.
 */
export const decideRefund = defineCommand({
  name: "decideRefund",
  schema: z.object({ refundId: z.number().int(), approve: z.boolean() }),
  run(ctx, { refundId, approve }): Result<{ state: RefundRow["state"] }> {
    const refund = refundById(ctx.db, refundId);
    if (refund?.state !== "waiting") return fail("refund.decided");
    if (approve && refund.askedBy === ctx.who.actor)
      return fail("document.second", { name: refund.askedBy });
    const receipt = receiptById(ctx.db, refund.receiptId);
    if (!receipt) return fail("receipt.unknown");
    // What was free when it was asked for may have been given to invoices since.
    const free = freeToGoBack(ctx.db, receipt, { ...refund, apart: refund.id }) ?? minor(0);
    if (approve && refund.amount > free)
      return fail("refund.free", {
        sum: ctx.sum(refund.amount, refund.currency),
        credit: ctx.sum(free, refund.currency),
      });
    const state = approve ? "asked" : "given_back";
    setRefund(ctx.db, refund.id, { state, code: null, decidedBy: ctx.who.actor });
    ctx.act(
      "decide",
      { kind: "receipt", id: refund.receiptId, customerId: receipt.customerId },
      `${ctx.sum(refund.amount, refund.currency)} to go back: ${approve ? "agreed to" : "given back"}`,
    );
    return ok({ state });
  },
});
