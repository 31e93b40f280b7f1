import { minor } from "@/core/money";
import { type ProcessorAccountRow, processorAccounts } from "@/db/processorAccounts";
import { customerById } from "@/db/customers";
import { openItemById } from "@/db/openItems";
import { partsOfPayment, type PaymentRow } from "@/db/payments";
import { payMethodById } from "@/db/payMethods";
import { insertProcessorItem, type NewItem } from "@/db/processor";
import { insertStarted } from "@/db/started";
import { customerOf, postActivity, postCharge } from "@/server/arrivals/steps/activity";
import type { CommandContext } from "@/server/runtime/context";

import { placePayment } from "./placePayment";

type Charged = PaymentRow & { chargeId: string };

/**
 * Posts a card's charge and its fee as the processor's file will tell them, so that its lines are
 * known when it comes, and gives it to its invoices: nobody has to match it.
 */
export function takeCharge(ctx: CommandContext, payment: Charged, fee: number): void {
  const account = accountOf(ctx, payment);
  const actId = ctx.act(
    "paying",
    { kind: "customer", id: payment.customerId, customerId: payment.customerId },
    `charge ${payment.chargeId}`,
  );
  const receiptId = postCharge(ctx, {
    account,
    item: itemOf(ctx, payment, {
      kind: "charge",
      externalId: payment.chargeId,
      amount: payment.amount,
    }),
    payer: { method: "card", ...payerOf(ctx, payment) },
    actId,
  });
  if (fee !== 0) {
    const item = itemOf(ctx, payment, {
      kind: "fee",
      externalId: `${payment.chargeId}-f`,
      amount: minor(-fee),
      relatedId: payment.chargeId,
    });
    const id = insertProcessorItem(ctx.db, item, receiptId);
    const taken = { item: { ...item, id, receiptId }, customerId: customerOf(ctx, { receiptId }) };
    postActivity(ctx, account, { ...taken, kind: "fee" }, actId);
  }
  placePayment(ctx, payment, receiptId);
}

/** A debit that is on its way is no money: it is kept, and holds reminders, until it settles. */
export function takeOnWay(ctx: CommandContext, payment: PaymentRow, chargeId: string): void {
  insertStarted(ctx.db, {
    processorAccountId: payment.processorAccountId,
    externalId: chargeId,
    startedOn: ctx.today,
    currency: payment.currency,
    amount: payment.amount,
    ...payerOf(ctx, payment),
    customerId: payment.customerId,
    fileId: null,
    lineNo: null,
  });
}

function accountOf({ db }: CommandContext, payment: PaymentRow): ProcessorAccountRow {
  const account = processorAccounts(db).find(({ id }) => id === payment.processorAccountId);
  if (!account) throw new Error("a payment goes by an account of the book");
  return account;
}

function payerOf(
  { db }: CommandContext,
  payment: PaymentRow,
): { payerName: string; payerEmail: string; reference: string } {
  const customer = customerById(db, payment.customerId);
  const numbers = partsOfPayment(db, payment.id).flatMap(
    ({ itemId }) => openItemById(db, itemId)?.number ?? [],
  );
  return {
    payerName: customer?.name ?? "",
    payerEmail: customer?.email ?? "",
    reference: numbers.join(" ").slice(0, 200),
  };
}

type Told = Pick<NewItem, "kind" | "externalId" | "amount"> & { relatedId?: string };

function itemOf(
  { db, today }: CommandContext,
  { processorAccountId, currency, methodId }: PaymentRow,
  { kind, externalId, amount, relatedId }: Told,
) {
  return {
    processorAccountId,
    externalId,
    kind,
    occurredOn: today,
    settledOn: today,
    currency,
    amount,
    payoutId: null,
    relatedId: relatedId ?? null,
    origin: "file" as const,
    reason: null,
    settledState: null,
    returnCode: null,
    answerBy: null,
    answeredOn: null,
    brand: payMethodById(db, methodId)?.name ?? null,
    abroad: 0 as const,
    fileId: null,
    lineNo: null,
  };
}
