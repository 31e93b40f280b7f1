import { z } from "zod";

import { fail, ok, type Result } from "@/core/result";
import { bankLineById } from "@/db/bank";
import { depositById } from "@/db/deposits";
import { defineCommand } from "@/server/runtime/command";

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
