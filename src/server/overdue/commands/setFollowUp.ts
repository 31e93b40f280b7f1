import { z } from "zod";

import { isoDay } from "@/contracts/values";
import { LANGUAGES } from "@/core/followup";
import { minor } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { customerById } from "@/db/customers";
import { setFollowed } from "@/db/followed";
import { ladders } from "@/db/ladders";
import { defineCommand } from "@/server/runtime/command";

/**
 * How a customer (and its group) is followed up: ladder, language, by itself or not, smallest sum,
 * quiet until a day.
 */
export const setFollowUp = defineCommand({
  name: "setFollowUp",
  schema: z.object({
    customerId: z.number().int(),
    ladderId: z.number().int().nullable(),
    language: z.enum(LANGUAGES),
    byItself: z.boolean(),
    smallest: z.number().int().min(0).transform(minor).nullable(),
    quietUntil: isoDay.nullable(),
  }),
  run(ctx, input): Result<null> {
    const customer = customerById(ctx.db, input.customerId);
    if (!customer) return fail("customer.unknown", { id: input.customerId });
    const ladder = ladders(ctx.db).find(({ id }) => id === input.ladderId);
    if (input.ladderId !== null && !ladder) return fail("ladder.unknown");
    setFollowed(ctx.db, input);
    ctx.act(
      "settings",
      { kind: "customer", id: customer.id, customerId: customer.id },
      `followed up ${ladder ? `by the ladder ${ladder.name}` : "as the book does"}${input.quietUntil === null ? "" : `, no reminders until ${input.quietUntil}`}${input.byItself ? ", letters may go by themselves" : ""}`,
    );
    return ok(null);
  },
});
