import { z } from "zod";

import { formatDay } from "@/core/calendar";
import { monthsDue, nextPart } from "@/core/invoices";
import { postEarned } from "@/core/ledger";
import { minor, mulDiv } from "@/core/money";
import { ok, type Result } from "@/core/result";
import { type DeferralLeft, deferralsLeft, moveDeferral } from "@/db/deferrals";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";

/** Posts what months that are over have earned of invoices that are earned over months, each month once. */
export const releaseIncome = defineCommand({
  name: "releaseIncome",
  schema: z.object({}),
  run(ctx): Result<{ invoices: number; parts: number }> {
    let parts = 0;
    let invoices = 0;
    for (const deferral of deferralsLeft(ctx.db)) {
      const released = release(ctx, deferral);
      parts += released;
      if (released > 0) invoices += 1;
    }
    return ok({ invoices, parts });
  },
});

/** The parts of a deferral that are due, in their order; gives how many they are. */
function release(ctx: CommandContext, deferral: DeferralLeft): number {
  let { left, bookLeft } = deferral;
  const due = monthsDue(deferral, ctx.today);
  for (const { monthNo, on } of due) {
    const sum = nextPart(left, deferral.months - monthNo + 1);
    const bookSum =
      sum === left ? bookLeft : mulDiv(bookLeft, BigInt(sum), BigInt(left), "half-up");
    const { openItemId, customerId, number, currency, incomeOf } = deferral;
    const month = formatDay(on);
    const actId = ctx.act(
      "release",
      { kind: "open_item", id: openItemId, customerId },
      `${ctx.sum(sum, currency)} of ${number} earned by ${month}`,
    );
    ctx.post(
      postEarned({
        on,
        partyId: customerId,
        document: { kind: "open_item", id: openItemId, text: `invoice ${number}` },
        income: incomeOf === null ? { role: "income" } : { role: "income", of: incomeOf },
        sum: { amount: sum, currency, book: bookSum },
      }),
      actId,
      null,
      { asItWas: true },
    );
    moveDeferral(ctx.db, { deferralId: deferral.id, monthNo, sum, bookSum }, actId);
    left = minor(left - sum);
    bookLeft = minor(bookLeft - bookSum);
  }
  return due.length;
}
