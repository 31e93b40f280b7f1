import { type PayInput, payInput } from "@/contracts/paying";
import { minor } from "@/core/money";
import { fail, type Failure } from "@/core/result";
import { processorBehind } from "@/practice";
import { payNow } from "@/server/paying/payNow";
import { wantsConsent } from "@/server/paying/queries/payPage";

import { byLink, type LinkParams, type OpenLink, refused, whenceOf } from "../../pay";
import { methodOf } from "../../methodOf";

/** A customer pays: by a way on file, or by a card or account that the processor has taken. */
export const POST = (request: Request, params: LinkParams): Promise<Response> =>
  byLink(request, params, payInput, (linked, asked) => payBy(linked, asked, whenceOf(request)));

async function payBy(
  linked: OpenLink,
  asked: PayInput,
  whence: ReturnType<typeof whenceOf>,
): Promise<Response> {
  const processor = processorBehind(linked.context.book);
  if (!processor)
    return refused(fail("pay.no_account", { currency: linked.context.currency }).error);
  const against = problemWith(linked, asked);
  if (against) return refused(against);
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
  // What is not taken yet, as where a bank asks for a code, is not agreed to either.
  const isTaken = paid.value.state === "paid" || paid.value.state === "on_way";
  if (asked.agree && isTaken) {
    const agreed = await linked.run(
      "agree",
      {
        customerId: linked.customerId,
        methodId: methodId.value,
        ...whence,
      },
      `agree-${asked.key}`,
    );
    if (!agreed.ok) return refused(agreed.error);
  }
  return Response.json(paid.value);
}

/** What of a payment is not as its link says; null where nothing is. */
function problemWith(linked: OpenLink, asked: PayInput): Failure | null {
  const { itemIds, context } = linked;
  if (itemIds.length > 0 && asked.parts.some(({ itemId }) => !itemIds.includes(itemId)))
    return fail("pay.item_gone").error;
  // A link that asks for the agreement is not paid without it, whatever the page sends.
  return !asked.agree && wantsConsent(context.db, linked) ? fail("consent.wanted").error : null;
}
