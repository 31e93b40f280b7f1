import { z } from "zod";

import { fail, ok, type Result } from "@/core/result";
import { renewLink } from "@/db/accountPages";
import { customerById } from "@/db/customers";
import { defineCommand } from "@/server/runtime/command";

/**
 * Gives a customer's account page a new address; the old one leads nowhere from then on, also in
 * letters that were sent.
 */
export const newAccountLink = defineCommand({
  name: "newAccountLink",
  schema: z.object({ customerId: z.number().int() }),
  run(ctx, input): Result<null> {
    const customer = customerById(ctx.db, input.customerId);
    if (!customer) return fail("customer.unknown", { id: input.customerId });
    renewLink(ctx.db, customer.id);
    ctx.act(
      "settings",
      { kind: "customer", id: customer.id, customerId: customer.id },
      "the account page has a new address; the old one leads nowhere",
    );
    return ok(null);
  },
});
