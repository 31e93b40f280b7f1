import { z } from "zod";

import { fail, ok, type Result } from "@/core/result";
import { consentOf } from "@/db/consents";
import { payMethodById, removePayMethod } from "@/db/payMethods";
import { defineCommand } from "@/server/runtime/command";

/** Takes a card or bank account off the file; what was agreed to with it has to be ended before. */
export const removeMethod = defineCommand({
  name: "removeMethod",
  schema: z.object({ customerId: z.number().int(), methodId: z.number().int() }),
  run(ctx, { customerId, methodId }): Result<null> {
    const method = payMethodById(ctx.db, methodId);
    if (method?.customerId !== customerId || method.removedOn !== null) return fail("method.gone");
    if (consentOf(ctx.db, customerId)?.methodId === methodId) return fail("method.agreed");
    removePayMethod(ctx.db, methodId, ctx.today);
    ctx.act(
      "paying",
      { kind: "customer", id: customerId, customerId },
      `${method.name} ending in ${method.lastFour} is off the file`,
    );
    return ok(null);
  },
});
