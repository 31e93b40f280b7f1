import { z } from "zod";

import { fail, ok, type Result } from "@/core/result";
import { customerOfLink, insertVisit, renewLink, VISITS } from "@/db/accountPages";
import { customerById } from "@/db/customers";

import { defineCommand } from "../command";

/** Gives a customer's account page a new address; the old one leads nowhere from then on, also in letters that were sent. */
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
    insertVisit(ctx.db, customerId, ctx.today, input.what, input.itemId, ctx.at);
    return ok(null);
  },
});
