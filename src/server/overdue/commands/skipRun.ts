import { z } from "zod";

import { isoDay } from "@/contracts/values";
import { fail, ok, type Result } from "@/core/result";
import { customerById } from "@/db/customers";
import { setRunSkip } from "@/db/letters";
import { defineCommand } from "@/server/runtime/command";

/** Takes a customer out of the letters that go by themselves on a day, with a reason; without one, puts it back. */
export const skipRun = defineCommand({
  name: "skipRun",
  schema: z.object({
    customerId: z.number().int(),
    onDay: isoDay,
    why: z.string().trim().min(3, "Say why, in a few words.").max(200).nullable(),
  }),
  run(ctx, input): Result<null> {
    const customer = customerById(ctx.db, input.customerId);
    if (!customer) return fail("customer.unknown", { id: input.customerId });
    setRunSkip(ctx.db, customer.id, input.onDay, input.why);
    ctx.act(
      "leave_out",
      { kind: "customer", id: customer.id, customerId: customer.id },
      input.why === null
        ? `in the letters of ${input.onDay} again`
        : `taken out of the letters of ${input.onDay}: ${input.why}`,
    );
    return ok(null);
  },
});
