import { z } from "zod";

import { fail, ok, type Result } from "@/core/result";
import { insertAgreedSkip } from "@/db/consents";
import { customerById } from "@/db/customers";
import { defineCommand } from "@/server/runtime/command";

/** Takes customers out of today's run of agreed payments, with the reason; they are due again the next day. */
export const takeOutOfRun = defineCommand({
  name: "takeOutOfRun",
  schema: z.object({
    customerIds: z.array(z.number().int()).min(1).max(5000),
    reason: z.string().trim().min(1, "A reason is needed.").max(500),
  }),
  run(ctx, { customerIds, reason }): Result<{ out: number }> {
    for (const customerId of customerIds) {
      if (!customerById(ctx.db, customerId)) return fail("customer.unknown", { id: customerId });
      const actId = ctx.act(
        "paying",
        { kind: "customer", id: customerId, customerId },
        `taken out of today's agreed payments: ${reason}`,
      );
      insertAgreedSkip(ctx.db, { customerId, onDay: ctx.today, reason, actId });
    }
    return ok({ out: customerIds.length });
  },
});
