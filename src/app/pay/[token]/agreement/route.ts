import { randomUUID } from "node:crypto";

import { endInput } from "@/contracts/paying";

import { byLink, type LinkParams, refused, whenceOf } from "../../pay";

/** A customer ends what it agreed to, or takes a way to pay off the file. */
export const POST = (request: Request, context: LinkParams): Promise<Response> =>
  byLink(request, context, endInput, async ({ customerId, run }, { planId, methodId }) => {
    if (planId !== null) {
      const plan = { customerId, planId, why: "by the customer" };
      const ended = await run("endPlan", plan, randomUUID());
      return ended.ok ? Response.json({ done: true }) : refused(ended.error);
    }
    const done =
      methodId === null
        ? await run("endAgreement", { customerId, ...whenceOf(request) }, randomUUID())
        : await run("removeMethod", { customerId, methodId }, randomUUID());
    return done.ok ? Response.json({ done: true }) : refused(done.error);
  });
