import { addDays } from "@/core/calendar";
import { ADVICE_DAYS, joinAdvice } from "@/core/receipts";
import { joinRemittance, looseAdvice, receiptsWithoutAdvice } from "@/db/remittances";
import type { Tallying } from "@/server/arrivals/imports/report";
import type { CommandContext } from "@/server/runtime/context";

/** Joins what waits on either side; run whenever receipts or remittances arrive. */
export function joinRemittances(ctx: CommandContext, tally?: Tallying): void {
  const advices = looseAdvice(ctx.db);
  const days = advices.map(({ paidOn }) => paidOn).sort();
  const [first, last] = [days[0], days.at(-1)];
  if (!first || !last) return;
  const receipts = receiptsWithoutAdvice(
    ctx.db,
    addDays(first, -ADVICE_DAYS),
    addDays(last, ADVICE_DAYS),
  );
  const sums = new Map(receipts.map(({ id, amount }) => [id, amount]));
  const joined = joinAdvice(advices, receipts);
  for (const one of joined) joinRemittance(ctx.db, one);
  for (const receiptId of new Set(joined.map((one) => one.receiptId)))
    tally?.also("receipts whose remittance advice was found", sums.get(receiptId) ?? null);
}
