import { z } from "zod";

import { type Day, endOfMonth } from "@/core/calendar";
import { checkFees } from "@/core/fees";
import { inBook, postFeeAccrued } from "@/core/ledger";
import { add, negate, sumOf } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { accruals, agreedRates, chargesWithFees, insertAccrual, setAccrualState } from "@/db/fees";
import { processorAccounts } from "@/db/processorAccounts";
import { defineCommand } from "@/server/runtime/command";
import type { Reversal } from "@/server/runtime/reversal";

/**
 * Accrues the fees of a month that the processor bills later, by the agreed
 * rates, less what was accrued for it before: F; fees accrued.
 */
export const accrueFees = defineCommand({
  name: "accrueFees",
  schema: z.object({
    account: z.string(),
    month: z.string().regex(/^\d{4}-(0[1-9]|1[0-2])$/, "A month like 2026-11."),
  }),
  run(ctx, input): Result<{ actId: number; sum: number }> {
    const account = processorAccounts(ctx.db).find(({ code }) => code === input.account);
    if (!account) return fail("account.unknown", { account: input.account });
    if (account.feeBilling !== "monthly") return fail("fees.taken", { account: account.name });
    if (account.currency !== ctx.settings.currency)
      return fail("fees.other_currency", { account: account.name, currency: account.currency });
    const [first, last] = [`${input.month}-01` as Day, endOfMonth(`${input.month}-01` as Day)];
    const checked = checkFees(
      chargesWithFees(ctx.db, account.id, first, last),
      agreedRates(ctx.db).filter(({ processorAccountId }) => processorAccountId === account.id),
    );
    const without = checked.filter(({ expected }) => expected === null);
    if (without.length > 0)
      return fail("fees.no_rate", { count: without.length, account: account.name });
    const before = sumOf(
      accruals(ctx.db).filter(
        (accrual) => accrual.processorAccountId === account.id && accrual.month === input.month,
      ),
      ({ sum }) => sum,
    );
    const sum = add(
      sumOf(checked, ({ expected, fee }) => (expected ?? 0) - fee),
      negate(before),
    );
    if (sum === 0) return fail("fees.accrued", { month: input.month, account: account.name });
    const on = last < ctx.today ? last : ctx.today;
    const actId = ctx.act(
      "accrue",
      { kind: "processor_account", id: account.id },
      `fees of ${input.month} accrued, ${account.name}: ${ctx.sum(sum)}`,
    );
    const id = insertAccrual(ctx.db, {
      processorAccountId: account.id,
      month: input.month,
      currency: account.currency,
      sum,
      onDay: on,
      actId,
    });
    ctx.post(
      postFeeAccrued({
        on,
        document: { kind: "fee_accrual", id, text: `fees of ${input.month}, ${account.name}` },
        sum: inBook(sum, account.currency),
      }),
      actId,
    );
    return ok({ actId, sum });
  },
});

/** Fees of a month are no longer accrued, as long as their bill has not come. */
export const unaccrueFees: Reversal = (ctx, act) => {
  const accrued = accruals(ctx.db).find(({ actId }) => actId === act.id);
  if (!accrued) return fail("fees.accrual");
  if (accrued.state === "billed") return fail("act.rests", { what: "its bill" });
  setAccrualState(ctx.db, accrued.id, "undone", null);
  return ok(null);
};
