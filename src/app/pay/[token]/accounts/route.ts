import { proofInput } from "@/contracts/payMethods";
import { parseAmount } from "@/core/money";
import { fail } from "@/core/result";
import { processorBehind } from "@/practice";
import { proveBySums, sendSums } from "@/server/paying/proveAccount";

import { methodOf } from "../../methodOf";
import { byLink, type LinkParams, refused, UNREAD } from "../../pay";

/** A customer's new bank account is kept and two small sums are sent to it, or the ones that came prove it. */
export const POST = (request: Request, params: LinkParams): Promise<Response> =>
  byLink(request, params, proofInput, async (linked, asked) => {
    const { customerId, context, run } = linked;
    const processor = processorBehind(context.book);
    if (!processor) return refused(UNREAD);
    const by = { processor, run, on: context.today };
    if ("token" in asked) {
      const kept = { token: asked.token, methodId: null, keep: true, agree: false };
      const methodId = await methodOf(linked, processor, kept);
      if (!methodId.ok) return refused(methodId.error);
      const sent = await sendSums(context.db, by, { customerId, methodId: methodId.value });
      return sent.ok ? Response.json({ done: true }) : refused(sent.error);
    }
    const sums = asked.sums.flatMap((text) => {
      const read = parseAmount(text, /,\d{1,2}$/.test(text) ? "," : ".", context.currency);
      return read.ok ? [read.value] : [];
    });
    if (sums.length < 2) return refused(fail("proof.wrong").error);
    const account = { customerId, methodId: asked.methodId, sums };
    const proven = await proveBySums(context.db, by, account);
    return proven.ok ? Response.json({ done: true }) : refused(proven.error);
  });
