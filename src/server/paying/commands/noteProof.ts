import { z } from "zod";

import { isoDay } from "@/contracts/values";
import { fail, ok, type Result } from "@/core/result";
import { payMethodById, setProven, sumsSent } from "@/db/payMethods";
import { defineCommand } from "@/server/runtime/command";

/** Keeps how far a bank account is proven: two small sums were sent to it, or it is its payer's. */
export const noteProof = defineCommand({
  name: "noteProof",
  schema: z.object({
    customerId: z.number().int(),
    methodId: z.number().int(),
    /** When the sums are there; null: they were typed, and it is proven. */
    thereOn: isoDay.nullable(),
  }),
  run(ctx, { customerId, methodId, thereOn }): Result<null> {
    const method = payMethodById(ctx.db, methodId);
    if (method?.customerId !== customerId || method.removedOn !== null) return fail("method.gone");
    if (thereOn === null) setProven(ctx.db, methodId);
    else sumsSent(ctx.db, methodId, thereOn);
    ctx.act(
      "paying",
      { kind: "customer", id: customerId, customerId },
      `${method.name} ending in ${method.lastFour}: ${thereOn === null ? "proven by two small sums" : "two small sums were sent to prove it"}`,
    );
    return ok(null);
  },
});
