import { payInput } from "@/contracts/paying";
import { minor } from "@/core/money";
import { fail } from "@/core/result";
import { processorBehind } from "@/practice";
import { payNow } from "@/server/paying/payNow";

import { bodyOf, GONE, linkedBy, refused, UNREAD, whenceOf } from "../../pay";
import { methodOf } from "../../methodOf";

/** A customer pays: by a way on file, or by a card or account that the processor has taken. */
export async function POST(
  request: Request,
  { params }: { params: Promise<{ token: string }> },
): Promise<Response> {
  const linked = linkedBy((await params).token);
  if (!linked) return refused(GONE, 404);
  const asked = await bodyOf(request, payInput);
  const processor = processorBehind(linked.context.book);
  if (!asked) return refused(UNREAD);
  if (!processor)
    return refused(fail("pay.no_account", { currency: linked.context.currency }).error);
  if (
    linked.itemIds.length > 0 &&
    asked.parts.some(({ itemId }) => !linked.itemIds.includes(itemId))
  )
    return refused(fail("pay.item_gone").error);
  const methodId = await methodOf(linked, processor, asked);
  if (!methodId.ok) return refused(methodId.error);
  const paid = await payNow({
    processor,
    run: linked.run,
    on: linked.context.today,
    ask: {
      key: asked.key,
      customerId: linked.customerId,
      methodId: methodId.value,
      by: "link",
      linkId: linked.linkId,
      sum: asked.sum,
      parts: asked.parts.map(({ itemId, amount }) => ({ itemId, amount: minor(amount) })),
    },
  });
  if (!paid.ok) return refused(paid.error);
  if (asked.agree && paid.value.state !== "declined") {
    const agreed = await linked.run(
      "agree",
      {
        customerId: linked.customerId,
        methodId: methodId.value,
        ...whenceOf(request),
      },
      `agree-${asked.key}`,
    );
    if (!agreed.ok) return refused(agreed.error);
  }
  return Response.json(paid.value);
}
