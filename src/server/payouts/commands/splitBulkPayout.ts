import { z } from "zod";

import { add, negate, sumOf } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { bankLineById } from "@/db/bank";
import { insertPayout, LUMP, payoutById, refreshNet } from "@/db/payouts";
import { moveItem, processorItemById } from "@/db/processor";
import { defineCommand } from "@/server/runtime/command";

import { tie } from "../steps/tie";

/** Puts the items that make a lump on the statement into a payout of their own, and ties it to the line. */
export const splitBulkPayout = defineCommand({
  name: "splitBulkPayout",
  schema: z.object({
    lineId: z.number().int(),
    itemIds: z.array(z.number().int()).min(1).max(500),
  }),
  run(ctx, input): Result<{ actId: number; payoutId: number }> {
    const line = bankLineById(ctx.db, input.lineId);
    if (!line) return fail("line.unknown");
    if (line.state !== "open") return fail("line.explained");
    const items = [...new Set(input.itemIds)].flatMap((id) => processorItemById(ctx.db, id) ?? []);
    const [first] = items;
    if (
      !first ||
      items.length < new Set(input.itemIds).size ||
      items.some(
        (item) =>
          item.payoutId !== null ||
          item.processorAccountId !== first.processorAccountId ||
          item.currency !== line.currency,
      )
    )
      return fail("payout.item");
    const net = sumOf(items, ({ amount }) => amount);
    if (net !== line.amount)
      return fail("payout.off", {
        bank: ctx.sum(line.amount),
        net: ctx.sum(net),
        off: ctx.sum(add(line.amount, negate(net))),
      });
    const payoutId = insertPayout(ctx.db, {
      processorAccountId: first.processorAccountId,
      externalId: `${LUMP}${line.postedOn} ${line.id} ${ctx.commandId}`,
      paidOn: line.postedOn,
      currency: line.currency,
      statedNet: null,
      spanFrom: null,
      spanTo: null,
      fileId: null,
      lineNo: null,
    });
    const payout = payoutById(ctx.db, payoutId);
    if (!payout) return fail("payout.unknown");
    const actId = tie(
      ctx,
      { ...payout, net },
      [line],
      `put together from ${items.length} items in clearing`,
    );
    for (const item of items) moveItem(ctx.db, item, payoutId, actId);
    refreshNet(ctx.db, payoutId);
    return ok({ actId, payoutId });
  },
});
