import { z } from "zod";

import { fail, ok, type Result } from "@/core/result";
import { customerOfLink, insertVisit, VISITS } from "@/db/accountPages";
import { defineCommand } from "@/server/runtime/command";

/** Keeps that a customer looked at its account page, or took the statement or an invoice from it: once a day each. */
export const noteVisit = defineCommand({
  name: "noteVisit",
  schema: z.object({
    token: z.string().min(1).max(100),
    what: z.enum(VISITS),
    itemId: z.number().int().min(0).default(0),
  }),
  run(ctx, input): Result<null> {
    const customerId = customerOfLink(ctx.db, input.token);
    if (customerId === undefined) return fail("link.unknown");
    insertVisit(ctx.db, {
      customerId,
      onDay: ctx.today,
      what: input.what,
      itemId: input.itemId,
      at: ctx.at,
    });
    return ok(null);
  },
});
