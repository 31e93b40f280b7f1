import { z } from "zod";

import { isoDay } from "@/contracts/values";
import { minor } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { answerPayment, paymentByKey, type PaymentRow } from "@/db/payments";
import { payMethodById } from "@/db/payMethods";
import { processorItemByExternalId } from "@/db/processor";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";

import { placePayment } from "../steps/placePayment";
import { takeCharge, takeOnWay } from "../steps/takeCharge";

const chargeId = z.string().min(1).max(80);
const answer = z.discriminatedUnion("state", [
  z.object({
    state: z.literal("approved"),
    chargeId,
    fee: z.number().int().min(0).transform(minor),
  }),
  z.object({ state: z.literal("on_way"), chargeId, settlesOn: isoDay }),
  z.object({ state: z.literal("declined"), chargeId, code: z.string().max(10) }),
  /** It never reached the processor: nothing was taken. */
  z.object({ state: z.literal("lost") }),
]);
export type Answer = z.output<typeof answer>;

/** Keeps what the processor said of a payment: a card's charge is posted and given to its invoices. */
export const notePayment = defineCommand({
  name: "notePayment",
  schema: z.object({ key: z.string(), answer }),
  run(ctx, input): Result<{ state: PaymentRow["state"]; code: string | null }> {
    const payment = paymentByKey(ctx.db, input.key);
    if (!payment) return fail("pay.unknown");
    const said = input.answer;
    // What was told before is told again, as when the wire was cut after the answer. One that was
    // taken for lost and arrived after all is what it is.
    if (payment.state !== "asked" && payment.code !== "lost")
      return ok({ state: payment.state, code: payment.code });
    if (said.state === "lost") {
      const nothing = { chargeId: null, settlesOn: null, receiptId: null };
      answerPayment(ctx.db, payment.id, { ...nothing, state: "declined", code: "lost" });
      tell(ctx, payment, "never reached the processor; nothing was taken");
      return ok({ state: "declined", code: "lost" });
    }
    const noted = { chargeId: said.chargeId, code: null, settlesOn: null, receiptId: null };
    if (said.state === "declined") {
      answerPayment(ctx.db, payment.id, { ...noted, state: "declined", code: said.code });
      tell(ctx, payment, `declined (${said.code})`);
      return ok({ state: "declined", code: said.code });
    }
    const told = receiptOfCharge(ctx, payment, said.chargeId);
    if (told !== null) {
      // Its file was taken in before its answer was here: the receipt stands already.
      tell(ctx, payment, "paid");
      placePayment(ctx, { ...payment, chargeId: said.chargeId }, told);
      return ok({ state: "paid", code: null });
    }
    if (said.state === "on_way") {
      answerPayment(ctx.db, payment.id, { ...noted, state: "on_way", settlesOn: said.settlesOn });
      takeOnWay(ctx, payment, said.chargeId);
      tell(ctx, payment, `on its way, settles ${said.settlesOn}`);
      return ok({ state: "on_way", code: null });
    }
    const stale = ctx.staleRate(payment.currency, ctx.today);
    if (stale) return { ok: false, error: stale };
    answerPayment(ctx.db, payment.id, { ...noted, state: "paid" });
    tell(ctx, payment, "paid");
    takeCharge(ctx, { ...payment, chargeId: said.chargeId }, said.fee);
    return ok({ state: "paid", code: null });
  },
});

/** The receipt of a charge that a file has told of; null where none has. */
const receiptOfCharge = (
  { db }: CommandContext,
  { processorAccountId }: PaymentRow,
  id: string,
): number | null =>
  processorItemByExternalId(db, processorAccountId, "charge", id)?.receiptId ?? null;

function tell(ctx: CommandContext, payment: PaymentRow, words: string): void {
  const method = payMethodById(ctx.db, payment.methodId);
  const by = { link: "by the customer", agreed: "as agreed", clerk: "by us" }[payment.by];
  ctx.act(
    "paying",
    { kind: "customer", id: payment.customerId, customerId: payment.customerId },
    `${ctx.sum(payment.amount, payment.currency)} ${by} from ${method?.name ?? ""} ending in ${method?.lastFour ?? ""}: ${words}`,
  );
}
