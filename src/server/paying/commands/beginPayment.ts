import { z } from "zod";

import { minor, type Minor, sumOf, ZERO } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { consentOf } from "@/db/consents";
import { customerById, sitesOf } from "@/db/customers";
import { openItemById, type OpenItemRow } from "@/db/openItems";
import {
  beingPaid,
  insertPayment,
  partsOfPayment,
  paymentByKey,
  type PaymentRow,
} from "@/db/payments";
import { planOfPart } from "@/db/payPlans";
import { payMethodById, type PayMethodRow } from "@/db/payMethods";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";

import { accountForWay } from "../steps/accountFor";
import { askedOf } from "../steps/askedOf";
import { isProven } from "../steps/isProven";
import { waysFor } from "../steps/waysFor";

const amount = z.number().int().positive().transform(minor);
const schema = z.object({
  /** The processor takes each key once: the same again is the same payment. */
  key: z.string().regex(/^[A-Za-z0-9_-]{8,80}$/),
  customerId: z.number().int(),
  methodId: z.number().int(),
  by: z.enum(["link", "agreed", "clerk"]),
  /** Who said that it may be taken, and how, where a clerk takes it. */
  word: z.string().trim().max(200).default(""),
  /** The part of a plan that it pays. */
  planPartId: z.number().int().nullable().default(null),
  /** The link by which a customer pays; null for the page of its account. */
  linkId: z.number().int().nullable().default(null),
  /** The sum that was shown before it is taken, with what comes on top and what is saved. */
  sum: amount.optional(),
  parts: z
    .array(z.object({ itemId: z.number().int(), amount }))
    .min(1)
    .max(500),
});
type Asked = z.output<typeof schema>;

/** What the processor is to be asked for, once this is kept. */
export type Begun = {
  paymentId: number;
  state: PaymentRow["state"];
  token: string;
  amount: Minor;
  currency: OpenItemRow["currency"];
  payerName: string;
  payerEmail: string;
  reference: string;
};

/** Keeps that a payment is asked for, before the processor is: whatever happens then, it is known. */
export const beginPayment = defineCommand({
  name: "beginPayment",
  schema,
  run(ctx, input): Result<Begun> {
    const method = payMethodById(ctx.db, input.methodId);
    if (method?.customerId !== input.customerId) return fail("method.gone");
    const before = paymentByKey(ctx.db, input.key);
    if (before && !isSame(ctx, before, input)) return fail("pay.key");
    const items = itemsOf(ctx, input, before !== undefined);
    if (!items.ok) return items;
    if (before) return ok(begun(ctx, input, { payment: before, method, items: items.value }));
    return keep(ctx, input, { method, items: items.value });
  },
});

/** Keeps a payment that was not asked for before. */
function keep(
  ctx: CommandContext,
  input: Asked,
  { method, items }: Pick<Kept, "method" | "items">,
): Result<Begun> {
  const currency = items[0]?.currency ?? ctx.settings.currency;
  const barred = items.find((item) => !waysFor(ctx.db, item).includes(method.way));
  if (barred && input.by !== "clerk")
    return fail("pay.way", { number: barred.number, way: method.way });
  if (!isProven(ctx.db, ctx.settings, method))
    return fail("method.unproven", { method: `${method.name} ending in ${method.lastFour}` });
  const account = accountForWay(ctx.db, method.way, currency);
  if (!account) return fail("pay.no_account", { way: method.way, currency });
  // What could not be posted is not asked for.
  const stale = ctx.staleRate(currency, ctx.today);
  if (stale) return { ok: false, error: stale };
  const allowed = allowedBy(ctx, input, method);
  if (!allowed.ok) return allowed;
  const asked = askedOf(ctx, input, { method, items });
  if (!asked.ok) return asked;
  const { sum, surcharge, savings } = asked.value;
  insertPayment(
    ctx.db,
    {
      key: input.key,
      customerId: input.customerId,
      methodId: method.id,
      processorAccountId: account.id,
      currency,
      amount: sum,
      surcharge,
      by: input.by,
      consentId: allowed.value,
      planPartId: input.planPartId,
      askedOn: ctx.today,
      askedAt: ctx.at,
    },
    input.parts.map((part, at) => ({ ...part, saving: savings[at] ?? ZERO })),
  );
  if (input.by === "clerk") keepWord(ctx, input, ctx.sum(sum, currency));
  const payment = paymentByKey(ctx.db, input.key);
  if (!payment) throw new Error("a payment that was written is there");
  return ok(begun(ctx, input, { payment, method, items }));
}

/** The consent by which it is taken; null where the customer pays itself, or gave a clerk its word. */
function allowedBy(
  { db }: CommandContext,
  { by, customerId, word, planPartId }: Asked,
  { id }: PayMethodRow,
): Result<number | null> {
  if (by === "clerk") return word.length < 3 ? fail("pay.word") : ok(null);
  if (by === "link") return ok(null);
  if (planPartId !== null)
    return planOfPart(db, planPartId)?.methodId === id ? ok(null) : fail("plan.ended");
  const consent = consentOf(db, customerId);
  return consent?.methodId === id ? ok(consent.id) : fail("consent.none");
}

/** What the customer said is kept as its consent, where nothing is ever taken out again. */
const keepWord = (ctx: CommandContext, { customerId, word }: Asked, sum: string): number =>
  ctx.act(
    "paying",
    { kind: "customer", id: customerId, customerId },
    `${sum} may be taken: ${word}`,
  );

const isSame = (
  { db }: CommandContext,
  before: PaymentRow,
  { customerId, methodId, parts }: Asked,
): boolean =>
  before.customerId === customerId &&
  before.methodId === methodId &&
  sumOf(partsOfPayment(db, before.id), settled) === sumOf(parts, settled);

const settled = (part: { amount: Minor }): Minor => part.amount;

type Kept = { payment: PaymentRow; method: PayMethodRow; items: readonly OpenItemRow[] };

function begun(
  ctx: CommandContext,
  { customerId }: Asked,
  { payment, method, items }: Kept,
): Begun {
  const customer = customerById(ctx.db, customerId);
  return {
    paymentId: payment.id,
    state: payment.state,
    token: method.token,
    amount: payment.amount,
    currency: payment.currency,
    payerName: customer?.name ?? "",
    payerEmail: customer?.email ?? "",
    reference: items
      .map(({ number }) => number)
      .join(" ")
      .slice(0, 200),
  };
}

/**
 * The items that are paid: the customer's own or its sites', all in one currency, none at more
 * than what is open of it and not being paid already.
 */
function itemsOf(
  ctx: CommandContext,
  { customerId, parts }: Asked,
  isKnown: boolean,
): Result<OpenItemRow[]> {
  const own = new Set([customerId, ...sitesOf(ctx.db, customerId).map(({ id }) => id)]);
  const items: OpenItemRow[] = [];
  for (const { itemId, amount: part } of parts) {
    const item = openItemById(ctx.db, itemId);
    if (!item || !own.has(item.customerId)) return fail("pay.item_gone");
    if (items[0] && items[0].currency !== item.currency) return fail("pay.currencies");
    if (!isKnown && part > item.balance - beingPaid(ctx.db, itemId))
      return fail("pay.paid", { number: item.number });
    items.push(item);
  }
  return ok(items);
}
