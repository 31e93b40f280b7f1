import { z } from "zod";

import { ok, type Result } from "@/core/result";
import { deleteBankRule } from "@/db/bankRules";
import { defineCommand } from "@/server/runtime/command";

/** Ends a rule; what it has put aside stays so. */
export const removeRule = defineCommand({
  name: "removeRule",
  schema: z.object({ ruleId: z.number().int() }),
  run(ctx, input): Result<null> {
    deleteBankRule(ctx.db, input.ruleId);
    ctx.act("rule", { kind: "bank_rule", id: input.ruleId }, "rule ended");
    return ok(null);
  },
});
