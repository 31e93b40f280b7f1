import { payInput } from "@/contracts/paying";
import { minor } from "@/core/money";
import { fail } from "@/core/result";
import { payNow } from "@/server/paying/payNow";

import type { BookParams } from "../../../../../../answers";
import { byClerk } from "../../../../../../pay/byClerk";
import { methodOf } from "../../../../../../pay/methodOf";
import { refused } from "../../../../../../pay/pay";

/** A clerk takes a payment at the customer's word, which is kept with it. */
export async function POST(
  request: Request,
  { params }: BookParams<{ id: string }>,
): Promise<Response> {
  const { book, id } = await params;
  return byClerk(request, book, payInput, async ({ context, asked, processor, run }) => {
    if (asked.word.length < 3) return refused(fail("pay.word").error);
    const customerId = Number(id);
    // Automatic payment is agreed to by the customer itself alone.
    const by = { ...asked, agree: false };
    const methodId = await methodOf({ customerId, run, context }, processor, by);
    if (!methodId.ok) return refused(methodId.error);
    const { key, word, sum } = asked;
    const parts = asked.parts.map(({ itemId, amount }) => ({ itemId, amount: minor(amount) }));
    const taken = { key, customerId, methodId: methodId.value, word, sum, parts };
    const ask = { ...taken, by: "clerk" as const };
    const paid = await payNow({ processor, run, on: context.today, ask });
    return paid.ok ? Response.json(paid.value) : refused(paid.error);
  });
}
