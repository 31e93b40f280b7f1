import { z } from "zod";

import { inBook, postFee, postParkedDifference } from "@/core/ledger";
import { add, negate, sumOf, type Minor } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { bankLineById, type BankLineRow } from "@/db/bank";
import { payoutById, refreshNet, type PayoutRow } from "@/db/payouts";
import { insertProcessorItem, processorAccounts } from "@/db/processor";

import { defineCommand } from "../command";
import type { Ctx } from "../context";
import { tie } from "../steps/tie";

const difference = z.discriminatedUnion("as", [
  z.object({ as: z.literal("fee"), kind: z.enum(["processing", "dispute", "return"]) }),
  z.object({ as: z.literal("park"), reason: z.string().trim().min(1, "Say why, in a few words.").max(200) }),
]);

/** Ties a payout by hand. Where the lines do not come to its net, the difference is booked as what the clerk says it is. */
export const tiePayout = defineCommand({
  name: "tiePayout",
  schema: z.object({ payoutId: z.number().int(), bankLineIds: z.array(z.number().int()).min(1).max(20), difference: difference.nullable().default(null) }),
  run(ctx, input): Result<{ actId: number }> {
    const payout = payoutById(ctx.db, input.payoutId);
    if (!payout) return fail("payout.unknown");
    if (payout.state === "tied") return fail("payout.tied");
    const lines: BankLineRow[] = [];
    for (const id of new Set(input.bankLineIds)) {
      const line = bankLineById(ctx.db, id);
      if (!line) return fail("line.unknown");
      if (line.state !== "open" || line.currency !== payout.currency || (lines[0] && lines[0].bankAccountId !== line.bankAccountId)) return fail("payout.line");
      lines.push(line);
    }
    const bank = sumOf(lines, (line) => line.amount);
    const off = add(bank, -payout.net);
    if (off !== 0 && input.difference === null) return fail("payout.off", { bank: ctx.sum(bank), net: ctx.sum(payout.net), off: ctx.sum(off) });
    const words = off !== 0 && input.difference ? `by hand, ${ctx.sum(off)} ${input.difference.as === "fee" ? "booked as a fee" : `parked: ${input.difference.reason}`}` : "by hand";
    const actId = tie(ctx, payout, lines, words);
    if (off !== 0 && input.difference) bookDifference(ctx, payout, off, input.difference, lines, actId);
    return ok({ actId });
  },
});

/** The difference becomes an item of the payout, so that its items sum to what the bank got, and is posted in the same act. */
function bookDifference(ctx: Ctx, payout: PayoutRow, off: Minor, as: z.output<typeof difference>, lines: readonly BankLineRow[], actId: number): void {
  const processor = processorAccounts(ctx.db).find(({ id }) => id === payout.processorAccountId);
  if (!processor) throw new Error("a payout has its processor account");
  const on = lines.reduce((latest, line) => (line.postedOn > latest ? line.postedOn : latest), payout.paidOn);
  const kind = as.as === "park" ? "adjustment" : as.kind === "processing" ? "fee" : as.kind === "dispute" ? "dispute_fee" : "return_fee";
  const id = insertProcessorItem(ctx.db, {
    processorAccountId: payout.processorAccountId, externalId: `${payout.externalId} off ${actId}`, kind, occurredOn: on, settledOn: on, currency: payout.currency, amount: off, payoutId: payout.id, receiptId: null, relatedId: null,
    origin: "explained", reason: as.as === "park" ? as.reason : `missing ${as.kind} fee`, settledState: null, fileId: null, lineNo: null,
  });
  const head = { on, document: { kind: "processor_item" as const, id, text: `difference of payout ${payout.externalId}` }, processor: processor.code, processorItemId: id };
  if (as.as === "park") ctx.post(postParkedDifference({ ...head, sum: inBook(off, payout.currency) }), actId);
  else ctx.post(postFee({ ...head, kind: as.kind, sum: inBook(negate(off), payout.currency) }), actId);
  refreshNet(ctx.db, payout.id);
}
