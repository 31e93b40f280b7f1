import { z } from "zod";

import { isoDay } from "@/contracts/values";
import { sumOf } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { bankAccounts } from "@/db/bank";
import { depositById, insertDeposit, setDepositState } from "@/db/deposits";
import { receiptById, type ReceiptRow } from "@/db/receipts";
import { receiptsOfDeposit, setHandState } from "@/db/receiptsByHand";
import { defineCommand } from "@/server/runtime/command";
import type { Reversal } from "@/server/runtime/reversal";

import { tieDeposits } from "../steps/deposits";

/** Puts receipts by hand into one bank deposit; where one bank line shows it already, the two are tied. */
export const makeDeposit = defineCommand({
  name: "makeDeposit",
  schema: z.object({
    receiptIds: z.array(z.number().int()).min(1, "Choose at least one receipt.").max(500),
    bank: z.string(),
    onDay: isoDay.nullable().default(null),
  }),
  run(ctx, input): Result<{ depositId: number; actId: number; banked: boolean }> {
    const bank = bankAccounts(ctx.db).find(({ code }) => code === input.bank);
    if (!bank) return fail("account.unknown", { account: input.bank });
    const receipts: ReceiptRow[] = [];
    for (const id of new Set(input.receiptIds)) {
      const receipt = receiptById(ctx.db, id);
      if (receipt?.handState !== "on_hand") return fail("deposit.not_on_hand");
      if (receipt.currency !== bank.currency)
        return fail("deposit.currency", { currency: receipt.currency });
      receipts.push(receipt);
    }
    const onDay = input.onDay ?? ctx.today;
    const sum = sumOf(receipts, ({ amount }) => amount);
    const depositId = insertDeposit(ctx.db, {
      bankAccountId: bank.id,
      onDay,
      currency: bank.currency,
      sum,
    });
    for (const { id } of receipts) setHandState(ctx.db, id, "deposited", depositId);
    const actId = ctx.act(
      "deposit",
      { kind: "deposit", id: depositId },
      `${receipts.length === 1 ? "a receipt" : `${receipts.length} receipts`} by hand taken to ${bank.name}: ${ctx.sum(sum)}`,
    );
    tieDeposits(ctx);
    return ok({ depositId, actId, banked: depositById(ctx.db, depositId)?.state === "banked" });
  },
});

/** What was taken to the bank is on hand again. */
export const unmakeDeposit: Reversal = (ctx, act) => {
  if (depositById(ctx.db, act.subjectId)?.state !== "made")
    return fail("act.rests", { what: "its bank line" });
  for (const { id } of receiptsOfDeposit(ctx.db, act.subjectId))
    setHandState(ctx.db, id, "on_hand", null);
  setDepositState(ctx.db, act.subjectId, "undone", null);
  return ok(null);
};
