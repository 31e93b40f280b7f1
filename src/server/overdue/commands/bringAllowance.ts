import { z } from "zod";

import { inBook, postAllowance } from "@/core/ledger";
import type { Minor } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { insertAllowanceMove } from "@/db/writeOffs";
import { doubtful } from "@/server/reports/queries/figures";
import { defineCommand } from "@/server/runtime/command";

/** Brings the allowance for doubtful debts to what its ages make of it today. */
export const bringAllowance = defineCommand({
  name: "bringAllowance",
  schema: z.object({}),
  run(ctx): Result<{ actId: number; by: Minor }> {
    const { entry, sum } = doubtful(ctx.db, ctx.today);
    if (entry === 0) return fail("allowance.stands", { sum: ctx.sum(sum) });
    const actId = ctx.act(
      "allowance",
      { kind: "book", id: 0 },
      `allowance for doubtful debts brought to ${ctx.sum(sum)}`,
    );
    insertAllowanceMove(ctx.db, ctx.today, entry, actId);
    ctx.post(
      postAllowance({
        on: ctx.today,
        document: {
          kind: "open_item",
          id: 0,
          text: `allowance for doubtful debts as of ${ctx.today}`,
        },
        by: inBook(entry, ctx.settings.currency),
      }),
      actId,
    );
    return ok({ actId, by: entry });
  },
});
