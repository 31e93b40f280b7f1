import { z } from "zod";

import { add, negate, sumOf } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { bankLineById } from "@/db/bank";
import { payoutById } from "@/db/payouts";
import { defineCommand } from "@/server/runtime/command";

import { tieInOne } from "../steps/tie";

/** Ties several payouts to the one line that they came in; their nets must come to it. */
export const tiePayouts = defineCommand({
  name: "tiePayouts",
  schema: z.object({
    payoutIds: z.array(z.number().int()).min(2).max(10),
    lineId: z.number().int(),
  }),
  run(ctx, input): Result<{ actId: number }> {
    const line = bankLineById(ctx.db, input.lineId);
    if (!line) return fail("line.unknown");
    if (line.state !== "open") return fail("line.explained");
    const payouts = [...new Set(input.payoutIds)].flatMap((id) => payoutById(ctx.db, id) ?? []);
    if (payouts.length < new Set(input.payoutIds).size) return fail("payout.unknown");
    if (payouts.some(({ state }) => state === "tied")) return fail("payout.tied");
    if (payouts.some(({ currency }) => currency !== line.currency)) return fail("payout.line");
    const net = sumOf(payouts, (payout) => payout.net);
    if (net !== line.amount)
      return fail("payout.off", {
        bank: ctx.sum(line.amount),
        net: ctx.sum(net),
        off: ctx.sum(add(line.amount, negate(net))),
      });
    return ok({ actId: tieInOne(ctx, payouts, line) });
  },
});
