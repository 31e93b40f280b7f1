import { z } from "zod";

import { fail, ok, type Result } from "@/core/result";
import { customerById, setLeftOut } from "@/db/customers";
import { defineCommand } from "@/server/runtime/command";

/** Leaves a customer out of follow-up, with a reason; without one, takes them in again. */
export const leaveOut = defineCommand({
  name: "leaveOut",
  schema: z.object({ customerId: z.number().int(), reason: z.string().trim().max(200).nullable() }),
  run(ctx, input): Result<null> {
    const customer = customerById(ctx.db, input.customerId);
    if (!customer) return fail("customer.unknown", { id: input.customerId });
    setLeftOut(ctx.db, customer.id, input.reason || null);
    ctx.act(
      "leave_out",
      { kind: "customer", id: customer.id, customerId: customer.id },
      input.reason ? `left out of follow-up: ${input.reason}` : "in follow-up again",
    );
    return ok(null);
  },
});
