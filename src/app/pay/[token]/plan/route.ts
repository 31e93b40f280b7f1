import type { z } from "zod";

import { planInput } from "@/contracts/payPlans";
import { fail } from "@/core/result";
import { processorBehind } from "@/practice";
import { payFirstPart } from "@/server/paying/payFirstPart";

import { byLink, type LinkParams, type OpenLink, refused, whenceOf } from "../../pay";
import { methodOf } from "../../methodOf";

/** A customer agrees to pay what is overdue in parts, and pays the first of them. */
export const POST = (request: Request, params: LinkParams): Promise<Response> =>
  byLink(request, params, planInput, (linked, asked) => planBy(linked, asked, whenceOf(request)));

async function planBy(
  linked: OpenLink,
  asked: z.output<typeof planInput>,
  whence: ReturnType<typeof whenceOf>,
): Promise<Response> {
  const { customerId, run, context, itemIds: within } = linked;
  const processor = processorBehind(context.book);
  if (!processor) return refused(fail("pay.no_account", { currency: context.currency }).error);
  const { key, itemIds, count } = asked;
  if (within.length > 0 && itemIds.some((id) => !within.includes(id)))
    return refused(fail("pay.item_gone").error);
  const methodId = await methodOf(linked, processor, { ...asked, keep: true, agree: false });
  if (!methodId.ok) return refused(methodId.error);
  const plan = { customerId, methodId: methodId.value, itemIds, count, ...whence };
  const agreed = await run("agreePlan", plan, `plan-${key}`);
  if (!agreed.ok) return refused(agreed.error);
  const { planId } = agreed.value;
  const paid = await payFirstPart(
    context.db,
    { processor, run, on: context.today },
    { planId, customerId },
  );
  return paid.ok ? Response.json(paid.value) : refused(paid.error);
}
