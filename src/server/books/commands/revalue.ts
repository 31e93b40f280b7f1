import { z } from "zod";

import { isoDay } from "@/contracts/values";
import { addDays, type Day } from "@/core/calendar";
import { postRevalued, postReversal } from "@/core/ledger";
import { add, type Currency, type Minor, ratioOf } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { foreignAsOf, insertRevaluation, rateOn, revaluations, undoRevaluations } from "@/db/rates";
import { defineCommand } from "@/server/runtime/command";
import type { Reversal } from "@/server/runtime/reversal";

/**
 * Brings all that is open in other currencies at the end of a day to that day's
 * rate, against exchange gains and losses, and takes it back on the next day:
 * what is settled later is settled at what it was carried at.
 */
export const revalue = defineCommand({
  name: "revalue",
  schema: z.object({ asOf: isoDay }),
  run(ctx, { asOf }): Result<{ actId: number; sum: Minor }> {
    if (revaluations(ctx.db).some((revaluation) => revaluation.asOf === asOf))
      return fail("revalue.done", { day: asOf });
    const open = foreignAsOf(ctx.db, asOf);
    const actId = ctx.act(
      "revalue",
      { kind: "book", id: 0 },
      `other currencies brought to the rates of ${asOf}`,
    );
    let total = add(0);
    let entries = 0;
    for (const currency of new Set(open.map((entry) => entry.currency))) {
      const stale = ctx.staleRate(currency, asOf);
      if (stale) return { ok: false, error: stale };
      const made = revalueOne(ctx, {
        asOf,
        currency,
        open: open.filter((entry) => entry.currency === currency),
        actId,
      });
      if (made === null) continue;
      total = add(total, made);
      entries += 1;
    }
    return entries === 0 ? fail("revalue.nothing", { day: asOf }) : ok({ actId, sum: total });
  },
});
type CurrencyToRevalue = {
  asOf: Day;
  currency: Currency;
  open: ReturnType<typeof foreignAsOf>;
  actId: number;
};

function revalueOne(
  ctx: Parameters<typeof revalue.run>[0],
  { asOf, currency, open, actId }: CurrencyToRevalue,
): Minor | null {
  const rate = rateOn(ctx.db, currency, asOf);
  const ratio = ratioOf(rate?.rate ?? "");
  if (!rate || !ratio.ok) return null;
  const documents = open.map(({ role, of, kind, id, amount, book }) => ({
    account: of === null ? { role } : { role, of },
    item: { kind, id },
    amount,
    book,
  }));
  const head = (
    id: number,
  ): { postedOn: Day; document: { kind: "revaluation"; id: number; text: string } } => ({
    postedOn: asOf,
    document: { kind: "revaluation", id, text: `${currency} at ${rate.rate} on ${asOf}` },
  });
  const draft = postRevalued(head(0), {
    documents,
    currency,
    book: ctx.settings.currency,
    rate: ratio.value,
  });
  if (draft === null) return null;
  const sum = add(
    ...draft.lines
      .filter(({ account }) => account.role === "exchange")
      .map((line) => line.sum.book),
  );
  const id = insertRevaluation(ctx.db, { asOf, currency, rate: rate.rate, sum, actId });
  const entry = { ...draft, ...head(id) };
  ctx.post(entry, actId);
  // Not an undo: the next day simply begins from what documents are carried at again.
  ctx.post({ ...postReversal(entry, addDays(asOf, 1)), event: "exchange" }, actId);
  return sum;
}

/** Open foreign documents are carried as they were before the revaluation. */
export const unrevalue: Reversal = (ctx, act) => {
  undoRevaluations(ctx.db, act.id);
  return ok(null);
};
