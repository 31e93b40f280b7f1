import { z } from "zod";

import { fail, ok, type Result } from "@/core/result";
import { agreedRateById, endAgreedRate } from "@/db/fees";
import { defineCommand } from "@/server/runtime/command";

/** Takes an agreed rate off the list: it was typed wrong. Nothing that was posted changes. */
export const endRate = defineCommand({
  name: "endRate",
  schema: z.object({ rateId: z.number().int() }),
  run(ctx, input): Result<null> {
    const rate = agreedRateById(ctx.db, input.rateId);
    if (!rate) return fail("rate.unknown");
    endAgreedRate(
      ctx.db,
      rate.id,
      ctx.act(
        "settings",
        { kind: "processor_account", id: rate.processorAccountId },
        `agreed rate of ${rate.percent} % from ${rate.from} taken off`,
      ),
    );
    return ok(null);
  },
});
