import { z } from "zod";

import { fail, ok, type Result } from "@/core/result";
import { customerById } from "@/db/customers";
import { insertForgotten } from "@/db/learning";
import { defineCommand } from "@/server/runtime/command";

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
