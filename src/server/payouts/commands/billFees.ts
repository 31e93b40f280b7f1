import { z } from "zod";

import { inBook, postFeeBilled } from "@/core/ledger";
import { add, minor, negate, sumOf } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { bankAccounts, bankLineById, setBankLineState } from "@/db/bank";
import { accruals, setAccrualState } from "@/db/fees";
import { defineCommand } from "@/server/runtime/command";
import type { Reversal } from "@/server/runtime/reversal";

/**
 * Ties the bank line by which a processor takes its bill to the months that it is for; what it
 * differs by is a fee too.
 */
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
    const [sum, bill] = [sumOf(billed, (accrual) => accrual.sum), negate(line.amount)];
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
    setBankLineState(ctx.db, { id: line.id, state: "fee_bill" });
    return ok({ actId, off });
  },
});

/** A bill of fees is a bank line like any other again; its months wait for their bill. */
export const unbillFees: Reversal = (ctx, act) => {
  const billed = accruals(ctx.db).filter(({ bankLineId }) => bankLineId === act.subjectId);
  for (const accrual of billed) setAccrualState(ctx.db, accrual.id, "accrued", null);
  setBankLineState(ctx.db, { id: act.subjectId, state: "open" });
  return ok(null);
};
