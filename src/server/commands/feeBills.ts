import { z } from "zod";

import { endOfMonth, type Day } from "@/core/calendar";
import { checkFees } from "@/core/fees";
import { inBook, postFeeAccrued, postFeeBilled } from "@/core/ledger";
import { add, minor, negate, sumOf } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { bankAccounts, bankLineById, setBankLineState } from "@/db/bank";
import { accruals, agreedRates, chargesWithFees, insertAccrual, setAccrualState } from "@/db/fees";
import { processorAccounts } from "@/db/processor";

import { defineCommand } from "../command";

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
    if (!account) return fail("account.unknown", { code: input.account });
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
        (one) => one.processorAccountId === account.id && one.month === input.month,
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

/** Ties the bank line by which a processor takes its bill to the months that it is for; what it differs by is a fee too. */
export const billFees = defineCommand({
  name: "billFees",
  schema: z.object({
    lineId: z.number().int(),
    accrualIds: z.array(z.number().int()).min(1).max(24),
  }),
  run(ctx, input): Result<{ actId: number; off: number }> {
    const line = bankLineById(ctx.db, input.lineId);
    if (!line) return fail("line.unknown");
    if (line.state !== "open") return fail("line.explained");
    if (line.amount >= 0) return fail("fees.bill_sign");
    const billed = accruals(ctx.db).filter(
      ({ id, state }) => input.accrualIds.includes(id) && state === "accrued",
    );
    if (
      billed.length < new Set(input.accrualIds).size ||
      billed.some(({ currency }) => currency !== line.currency)
    )
      return fail("fees.accrual");
    const bank = bankAccounts(ctx.db).find(({ id }) => id === line.bankAccountId);
    if (!bank) throw new Error("a bank line has its account");
    const [sum, bill] = [sumOf(billed, (one) => one.sum), negate(line.amount)];
    const off = add(bill, negate(sum));
    const actId = ctx.act(
      "fee_bill",
      { kind: "bank_line", id: line.id },
      `bill of ${ctx.sum(bill)} for ${billed.map(({ month }) => month).join(", ")}${off === 0 ? ", as accrued" : `, ${ctx.sum(off)} off what was accrued`}`,
    );
    // The difference goes with the last month of the bill.
    for (const [at, one] of billed.entries()) {
      const more = at === billed.length - 1 ? off : minor(0);
      ctx.post(
        postFeeBilled({
          on: line.postedOn,
          document: {
            kind: "fee_accrual",
            id: one.id,
            text: `fees of ${one.month}, ${one.account}`,
          },
          bank: bank.code,
          bankLineId: line.id,
          accrued: inBook(one.sum, one.currency),
          billed: inBook(add(one.sum, more), one.currency),
        }),
        actId,
      );
      setAccrualState(ctx.db, one.id, "billed", line.id);
    }
    setBankLineState(ctx.db, line.id, "fee_bill");
    return ok({ actId, off });
  },
});
