import { z } from "zod";

import { fail, ok, type Result } from "@/core/result";
import { aliasesOf, customerById, deleteAlias, insertAlias } from "@/db/customers";
import { defineCommand } from "@/server/runtime/command";

/** Adds a name that a customer goes by besides its own, or takes one away; matching knows it at once. */
export const changeAlias = defineCommand({
  name: "changeAlias",
  schema: z.object({
    customerId: z.number().int(),
    alias: z.string().trim().min(2, "A name has two letters at least.").max(120),
    known: z.boolean(),
  }),
  run(ctx, { customerId, alias, known }): Result<{ actId: number }> {
    const customer = customerById(ctx.db, customerId);
    if (!customer) return fail("customer.unknown", { id: customerId });
    if (aliasesOf(ctx.db, customerId).includes(alias) === known)
      return fail("customer.alias", { name: alias });
    if (known) insertAlias(ctx.db, customerId, alias);
    else deleteAlias(ctx.db, customerId, alias);
    return ok({
      actId: ctx.act(
        "settings",
        { kind: "customer", id: customerId, customerId },
        known ? `goes by ${alias} too` : `goes by ${alias} no more`,
      ),
    });
  },
});
