import { randomUUID } from "node:crypto";

import { endInput } from "@/contracts/paying";

import { bodyOf, GONE, linkedBy, refused, UNREAD, whenceOf } from "../../pay";

/** A customer ends what it agreed to, or takes a way to pay off the file. */
export async function POST(
  request: Request,
  { params }: { params: Promise<{ token: string }> },
): Promise<Response> {
  const linked = linkedBy((await params).token);
  if (!linked) return refused(GONE, 404);
  const asked = await bodyOf(request, endInput);
  if (!asked) return refused(UNREAD);
  const { customerId, run } = linked;
  if (asked.planId !== null) {
    const plan = { customerId, planId: asked.planId, why: "by the customer" };
    const ended = await run("endPlan", plan, randomUUID());
    return ended.ok ? Response.json({ done: true }) : refused(ended.error);
  }
  const done =
    asked.methodId === null
      ? await run("endAgreement", { customerId, ...whenceOf(request) }, randomUUID())
      : await run("removeMethod", { customerId, methodId: asked.methodId }, randomUUID());
  return done.ok ? Response.json({ done: true }) : refused(done.error);
}
