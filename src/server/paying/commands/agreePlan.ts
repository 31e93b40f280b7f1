import { z } from "zod";

import { minor, sumOf } from "@/core/money";
import { methodInWords, planOf, type PlanPart, planWords } from "@/core/paying";
import { fail, ok, type Result } from "@/core/result";
import { insertContact, insertPromiseParts } from "@/db/contacts";
import { followedRow } from "@/db/followed";
import type { OpenItemRow } from "@/db/openItems";
import { insertPayPlan, insertPayPlanEnd, plansInForce } from "@/db/payPlans";
import { payMethodById } from "@/db/payMethods";
import { paperDay } from "@/server/output/paperDay";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";

import { mayBePlanned } from "../steps/mayBePlanned";

/**
 * A customer agrees to pay what is overdue in parts: the words are kept, and a promise in parts by
 * which reminders wait. Nothing is taken by this; the first part is due at once.
 */
export const agreePlan = defineCommand({
  name: "agreePlan",
  schema: z.object({
    customerId: z.number().int(),
    methodId: z.number().int(),
    itemIds: z.array(z.number().int()).min(1).max(200),
    count: z.number().int().min(2).max(24),
    address: z.string().trim().min(1).max(60),
    agent: z.string().trim().max(400),
  }),
  run(ctx, { customerId, methodId, itemIds, count, address, agent }): Result<{ planId: number }> {
    const method = payMethodById(ctx.db, methodId);
    if (method?.customerId !== customerId || method.removedOn !== null) return fail("method.gone");
    if (count > (ctx.settings.planParts ?? 0)) return fail("plan.parts");
    const items = mayBePlanned(ctx, customerId, itemIds);
    if (!items.ok) return items;
    const sum = sumOf(items.value, ({ balance }) => balance);
    const parts = planOf(minor(sum), count, ctx.today);
    const { language } = followedRow(ctx.db, customerId);
    const [first] = items.value as [OpenItemRow, ...OpenItemRow[]];
    const said = parts.map(({ dueOn, sum: part }) => {
      return `${ctx.sum(part, first.currency)} (${paperDay(dueOn, language)})`;
    });
    const words = planWords(language, {
      business: ctx.settings.name,
      method: methodInWords(language, method),
      parts: said.join(", "),
    });
    const planId = insertPayPlan(ctx.db, {
      customerId,
      methodId,
      currency: first.currency,
      words,
      onDay: ctx.today,
      at: ctx.at,
      address,
      agent,
      contactId: promised(ctx, customerId, parts),
      itemIds,
      parts: parts.map(({ dueOn, sum: amount }) => ({ dueOn, amount })),
    });
    return ok({ planId });
  },
});

/** The promise by which reminders wait for the parts. */
function promised(ctx: CommandContext, customerId: number, parts: readonly PlanPart[]): number {
  const text = `agreed on its page to pay in ${parts.length} parts`;
  const actId = ctx.act("contact", { kind: "customer", id: customerId, customerId }, text);
  const contactId = insertContact(ctx.db, {
    customerId,
    kind: "promise",
    onDay: ctx.today,
    text,
    promisedOn: parts.at(-1)?.dueOn ?? ctx.today,
    promisedSum: sumOf(parts, ({ sum }) => sum),
    step: null,
    actId,
  });
  insertPromiseParts(ctx.db, contactId, parts);
  return contactId;
}

/** Ends a plan: what is left of it is due as it was before. */
export const endPlan = defineCommand({
  name: "endPlan",
  schema: z.object({
    customerId: z.number().int(),
    planId: z.number().int(),
    why: z.string().trim().min(1).max(200),
  }),
  run(ctx, { customerId, planId, why }): Result<null> {
    const plan = plansInForce(ctx.db, customerId).find(({ id }) => id === planId);
    if (!plan) return fail("plan.ended");
    insertPayPlanEnd(ctx.db, planId, ctx.today, why);
    ctx.act(
      "paying",
      { kind: "customer", id: customerId, customerId },
      `the plan in parts is ended: ${why}`,
    );
    return ok(null);
  },
});
