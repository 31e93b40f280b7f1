import { payInput } from "@/contracts/paying";
import { minor } from "@/core/money";
import { fail } from "@/core/result";
import { processorBehind } from "@/practice";
import { payNow } from "@/server/paying/payNow";
import { bookContext } from "@/server/runtime/bookContext";

import { type BookParams, noBook } from "../../../../../../answers";
import { personOf } from "../../../../../../person";
import { methodOf } from "../../../../../../pay/methodOf";
import { bodyOf, refused, runIn, UNREAD } from "../../../../../../pay/pay";

/** A clerk takes a payment at the customer's word, which is kept with it. */
export async function POST(
  request: Request,
  { params }: BookParams<{ id: string }>,
): Promise<Response> {
  const { book, id } = await params;
  const context = bookContext(book);
  if (!context) return noBook(book);
  const asked = await bodyOf(request, payInput);
  const processor = processorBehind(book);
  if (!asked || !processor) return refused(UNREAD);
  if (asked.word.length < 3) return refused(fail("pay.word").error);
  const run = runIn(book, await personOf(book));
  const customerId = Number(id);
  // Automatic payment is agreed to by the customer itself alone.
  const methodId = await methodOf({ customerId, run, context }, processor, {
    ...asked,
    agree: false,
  });
  if (!methodId.ok) return refused(methodId.error);
  const paid = await payNow({
    processor,
    run,
    on: context.today,
    ask: {
      key: asked.key,
      customerId,
      methodId: methodId.value,
      by: "clerk",
      word: asked.word,
      parts: asked.parts.map(({ itemId, amount }) => ({ itemId, amount: minor(amount) })),
    },
  });
  return paid.ok ? Response.json(paid.value) : refused(paid.error);
}
