import { z } from "zod";

import { currencyCode, isoDay } from "@/contracts/values";
import { fail, ok, type Result } from "@/core/result";
import { setRate } from "@/db/rates";
import { defineCommand } from "@/server/runtime/command";

/**
 * Enters what currencies are worth in the book's, by day; a day that is there already is written
 * over. What was posted keeps its value.
 */
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
