import { z } from "zod";

import { fail, ok, type Result } from "@/core/result";
import { aliasesOf, customerById, deleteAlias, insertAlias } from "@/db/customers";
import { insertForgotten } from "@/db/learning";

import { defineCommand } from "../command";

/** Has the book forget what it learned of a customer: one payer, or how it usually pays. Undo brings it back. */
export const forget = defineCommand({
  name: "forget",
  schema: z.object({
    customerId: z.number().int(),
    what: z.enum(["payer", "habit"]),
    payerName: z.string().default(""),
    payerEmail: z.string().default(""),
  }),
  run(ctx, input): Result<{ actId: number }> {
    const customer = customerById(ctx.db, input.customerId);
    if (!customer) return fail("customer.unknown", { id: input.customerId });
    const words =
      input.what === "habit"
        ? "how it usually pays is forgotten"
        : `${input.payerName || input.payerEmail} is forgotten as its payer`;
    const actId = ctx.act(
      "forget",
      { kind: "customer", id: customer.id, customerId: customer.id },
      words,
    );
    insertForgotten(ctx.db, {
      customerId: customer.id,
      what: input.what,
      payerName: input.payerName,
      payerEmail: input.payerEmail,
      actId,
    });
    return ok({ actId });
  },
});

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
