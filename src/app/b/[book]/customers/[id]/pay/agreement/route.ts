import { randomUUID } from "node:crypto";

import { endInput } from "@/contracts/paying";

import type { BookParams } from "../../../../../../answers";
import { byClerk } from "../../../../../../pay/byClerk";
import { refused, UNREAD } from "../../../../../../pay/pay";

/** A clerk ends a customer's plan in parts at its word: what is left of it can be paid at once again. */
export async function POST(
  request: Request,
  { params }: BookParams<{ id: string }>,
): Promise<Response> {
  const { book, id } = await params;
  return byClerk(request, book, endInput, async ({ asked, run }) => {
    const { planId } = asked;
    if (planId === null) return refused(UNREAD);
    const plan = { customerId: Number(id), planId, why: "at the customer's word" };
    const ended = await run("endPlan", plan, randomUUID());
    return ended.ok ? Response.json({ done: true }) : refused(ended.error);
  });
}
