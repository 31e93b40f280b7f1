import { z } from "zod";

import { addDays, type Day } from "@/core/calendar";
import { postRevalued, postReversal } from "@/core/ledger";
import { add, ratioOf, type Currency, type Minor } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { foreignAsOf, insertRevaluation, rateOn, revaluations, setRate } from "@/db/rates";

import { defineCommand } from "../command";
import { currencyCode } from "./settings";

const isoDay = z.iso.date().transform((text) => text as Day);

/** Enters what currencies are worth in the book's, by day; a day that is there already is written over. What was posted keeps its value. */
export const setRates = defineCommand({
  name: "setRates",
  schema: z.object({
    rates: z
      .array(
        z.object({
          currency: currencyCode,
          onDay: isoDay,
          rate: z
            .string()
            .trim()
            .regex(/^\d{1,9}(\.\d{1,12})?$/, "Write it like 1.0834."),
        }),
      )
      .min(1)
      .max(5000),
  }),
  run(ctx, input): Result<{ actId: number; count: number }> {
    const own = input.rates.find(({ currency }) => currency === ctx.settings.currency);
    if (own) return fail("rate.own", { currency: own.currency });
    if (input.rates.some(({ rate }) => Number(rate) === 0)) return fail("rate.zero");
    const [first] = input.rates;
    const actId = ctx.act(
      "rates",
      { kind: "book", id: 0 },
      input.rates.length === 1
        ? `${first?.currency ?? ""} on ${first?.onDay ?? ""}: ${first?.rate ?? ""}`
        : `${input.rates.length} exchange rates`,
    );
    for (const rate of input.rates) setRate(ctx.db, rate, actId);
    return ok({ actId, count: input.rates.length });
  },
});

/**
 * Brings all that is open in other currencies at the end of a day to that day's
 * rate, against exchange gains and losses, and takes it back on the next day:
 * what is settled later is settled at what it was carried at.
 */
export const revalue = defineCommand({
  name: "revalue",
  schema: z.object({ asOf: isoDay }),
  run(ctx, { asOf }): Result<{ actId: number; sum: Minor }> {
    if (revaluations(ctx.db).some((one) => one.asOf === asOf))
      return fail("revalue.done", { day: asOf });
    const open = foreignAsOf(ctx.db, asOf);
    const actId = ctx.act(
      "revalue",
      { kind: "book", id: 0 },
      `other currencies brought to the rates of ${asOf}`,
    );
    let total = add(0);
    let entries = 0;
    for (const currency of new Set(open.map((one) => one.currency))) {
      const stale = ctx.staleRate(currency, asOf);
      if (stale) return { ok: false, error: stale };
      const made = revalueOne(
        ctx,
        asOf,
        currency,
        open.filter((one) => one.currency === currency),
        actId,
      );
      if (made === null) continue;
      total = add(total, made);
      entries += 1;
    }
    return entries === 0 ? fail("revalue.nothing", { day: asOf }) : ok({ actId, sum: total });
  },
});

function revalueOne(
  ctx: Parameters<typeof revalue.run>[0],
  asOf: Day,
  currency: Currency,
  open: ReturnType<typeof foreignAsOf>,
  actId: number,
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
  const draft = postRevalued(head(0), documents, currency, ctx.settings.currency, ratio.value);
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
