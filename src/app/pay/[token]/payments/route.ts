import { randomUUID } from "node:crypto";

import { payInput } from "@/contracts/paying";
import { minor } from "@/core/money";
import type { Processor } from "@/core/paying";
import { fail, ok, type Result } from "@/core/result";
import { processorBehind } from "@/practice";
import { payNow } from "@/server/paying/payNow";
import { isOnFile } from "@/server/paying/queries/payPage";

import { bodyOf, GONE, linkedBy, type OpenLink, refused, UNREAD, whenceOf } from "../../pay";

type Asked = ReturnType<typeof payInput.parse>;

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

/** The way that is on file, or the one that the processor has just taken: its words come from there alone. */
async function methodOf(
  { customerId, run, context }: OpenLink,
  processor: Processor,
  { methodId, token, keep, agree }: Asked,
): Promise<Result<number>> {
  if (methodId !== null)
    return isOnFile(context.db, customerId, methodId) ? ok(methodId) : fail("method.gone");
  const taken = token === null ? null : processor.method(token);
  if (!taken) return fail("method.gone");
  const kept = await run(
    "keepMethod",
    { customerId, ...taken, onFile: keep || agree },
    randomUUID(),
  );
  return kept.ok ? ok(kept.value.id) : kept;
}
