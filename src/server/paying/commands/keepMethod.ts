import { z } from "zod";

import { WAYS_TO_PAY } from "@/core/paying";
import { fail, ok, type Result } from "@/core/result";
import { customerById } from "@/db/customers";
import { insertPayMethod, payMethodByToken } from "@/db/payMethods";
import { defineCommand } from "@/server/runtime/command";

const TOKEN = /^[a-z]{2,10}_[A-Za-z0-9]{8,64}$/;

/** Keeps what may be known of a card or bank account that the processor has taken, for its customer. */
export const keepMethod = defineCommand({
  name: "keepMethod",
  schema: z.object({
    customerId: z.number().int(),
    token: z.string().regex(TOKEN),
    way: z.enum(WAYS_TO_PAY),
    name: z.string().trim().min(1).max(60),
    lastFour: z.string().regex(/^\d{4}$/),
    expires: z
      .string()
      .regex(/^\d{4}-\d\d$/)
      .nullable(),
    proven: z.boolean().default(false),
    /** Whether it stays on file, or is for one payment. */
    onFile: z.boolean(),
  }),
  run(ctx, input): Result<{ id: number }> {
    if (!customerById(ctx.db, input.customerId))
      return fail("customer.unknown", { id: input.customerId });
    // What looks like a card number within it was masked: nothing could be charged by it.
    if (!TOKEN.test(input.token)) return fail("method.token");
    const known = payMethodByToken(ctx.db, input.token);
    if (known)
      return known.customerId === input.customerId ? ok({ id: known.id }) : fail("method.gone");
    const { onFile, proven, ...method } = input;
    const id = insertPayMethod(ctx.db, {
      ...method,
      proven: proven ? 1 : 0,
      keptOn: ctx.today,
      removedOn: onFile ? null : ctx.today,
    });
    if (onFile)
      ctx.act(
        "paying",
        { kind: "customer", id: input.customerId, customerId: input.customerId },
        `${input.name} ending in ${input.lastFour} is on file`,
      );
    return ok({ id });
  },
});
