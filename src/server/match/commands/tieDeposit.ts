import { z } from "zod";

import { fail, ok, type Result } from "@/core/result";
import { actsOf } from "@/db/acts";
import { bankLineById, setBankLineState } from "@/db/bank";
import { depositById, setDepositState } from "@/db/deposits";
import { receiptsOfDeposit, setHandState } from "@/db/receiptsByHand";
import { defineCommand } from "@/server/runtime/command";
import type { Reversal } from "@/server/runtime/reversal";

import { bankDeposit } from "../steps/deposits";

/** Ties a deposit to the bank line that shows it: B; H. */
export const tieDeposit = defineCommand({
  name: "tieDeposit",
  schema: z.object({ depositId: z.number().int(), lineId: z.number().int() }),
  run(ctx, input): Result<{ actId: number }> {
    const [deposit, line] = [
      depositById(ctx.db, input.depositId),
      bankLineById(ctx.db, input.lineId),
    ];
    if (deposit?.state !== "made") return fail("deposit.unknown");
    if (line?.state !== "open" || line.bankAccountId !== deposit.bankAccountId)
      return fail("payout.line");
    if (line.amount !== deposit.sum)
      return fail("deposit.off", { bank: ctx.sum(line.amount), deposit: ctx.sum(deposit.sum) });
    return ok({ actId: bankDeposit(ctx, deposit, line) });
  },
});

/** A deposit waits for its bank line again. */
export const untieDeposit: Reversal = (ctx, act) => {
  const deposit = depositById(ctx.db, act.subjectId);
  if (deposit?.state !== "banked" || deposit.bankLineId === null) return fail("deposit.unknown");
  const receipts = receiptsOfDeposit(ctx.db, deposit.id);
  const bounced = receipts.find(({ id }) =>
    actsOf(ctx.db, "receipt", id).some((act) => act.kind === "bounce" && act.undoneBy === null),
  );
  if (bounced)
    return fail("act.rests", { what: `the check of ${ctx.sum(bounced.amount)} that bounced` });
  for (const { id } of receipts) setHandState(ctx.db, id, "deposited", deposit.id);
  setBankLineState(ctx.db, { id: deposit.bankLineId, state: "open" });
  setDepositState(ctx.db, deposit.id, "made", null);
  return ok(null);
};
