import { z } from "zod";

import { fail, ok, type Result } from "@/core/result";
import { backFrom, setBack } from "@/db/persons";
import { defineCommand } from "@/server/runtime/command";

/** Says that letters reach an address after all. */
export const addressWorks = defineCommand({
  name: "addressWorks",
  schema: z.object({
    address: z.string().trim().min(1).max(200),
    customerId: z.number().int().nullable().default(null),
  }),
  run(ctx, { address, customerId }): Result<null> {
    if (backFrom(ctx.db, address) === null) return fail("address.works", { address });
    setBack(ctx.db, address, null, ctx.today);
    ctx.act(
      "settings",
      customerId === null
        ? { kind: "book", id: 0 }
        : { kind: "customer", id: customerId, customerId },
      `letters go to ${address} again`,
    );
    return ok(null);
  },
});
