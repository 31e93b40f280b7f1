import { proofInput } from "@/contracts/payMethods";
import { parseAmount } from "@/core/money";
import { fail } from "@/core/result";
import { processorBehind } from "@/practice";
import { proveBySums, sendSums } from "@/server/paying/proveAccount";

import { methodOf } from "../../methodOf";
import { bodyOf, GONE, linkedBy, refused, UNREAD } from "../../pay";

/** A customer's new bank account is kept and two small sums are sent to it, or the ones that came prove it. */
export async function POST(
  request: Request,
  { params }: { params: Promise<{ token: string }> },
): Promise<Response> {
  const linked = linkedBy((await params).token);
  if (!linked) return refused(GONE, 404);
  const asked = await bodyOf(request, proofInput);
  const { customerId, context, run } = linked;
  const processor = processorBehind(context.book);
  if (!asked || !processor) return refused(UNREAD);
  const by = { processor, run, on: context.today };
  if ("token" in asked) {
    const kept = { token: asked.token, methodId: null, keep: true, agree: false };
    const methodId = await methodOf(linked, processor, kept);
    if (!methodId.ok) return refused(methodId.error);
    const sent = await sendSums(context.db, by, { customerId, methodId: methodId.value });
    return sent.ok ? Response.json({ done: true }) : refused(sent.error);
  }
  const sums = asked.sums.map((text) =>
    parseAmount(text, /,\d{1,2}$/.test(text) ? "," : ".", context.currency),
  );
  const read = sums.flatMap((sum) => (sum.ok ? [sum.value] : []));
  if (read.length < 2) return refused(fail("proof.wrong").error);
  const account = { customerId, methodId: asked.methodId, sums: read };
  const proven = await proveBySums(context.db, by, account);
  return proven.ok ? Response.json({ done: true }) : refused(proven.error);
}
