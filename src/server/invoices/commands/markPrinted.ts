import { z } from "zod";

import { fail, ok, type Result } from "@/core/result";
import { markReached, wayOf } from "@/db/documentWays";
import { defineCommand } from "@/server/runtime/command";

/** Notes that documents went out on paper. */
export const markPrinted = defineCommand({
  name: "markPrinted",
  schema: z.object({ ids: z.array(z.number().int()).min(1).max(2000) }),
  run(ctx, { ids }): Result<{ printed: number }> {
    for (const id of ids) {
      const document = wayOf(ctx.db, id);
      if (!document) return fail("document.unknown", { id });
      markReached(ctx.db, id, ctx.today, null);
      ctx.act(
        "letter",
        { kind: "open_item", id: document.itemId, customerId: document.customerId },
        `${document.number} went out on paper`,
      );
    }
    return ok({ printed: ids.length });
  },
});
