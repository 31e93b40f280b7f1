import { z } from "zod";

import { fail, ok, type Result } from "@/core/result";
import { setItemLeftOut } from "@/db/followed";
import { openItemById } from "@/db/openItems";
import { defineCommand } from "@/server/runtime/command";

/** Leaves an invoice out of letters, with a reason; without one, takes it in again. */
export const leaveItemOut = defineCommand({
  name: "leaveItemOut",
  schema: z.object({ itemId: z.number().int(), reason: z.string().trim().max(200).nullable() }),
  run(ctx, input): Result<null> {
    const item = openItemById(ctx.db, input.itemId);
    if (!item) return fail("item.unknown");
    setItemLeftOut(ctx.db, item.id, input.reason || null);
    ctx.act(
      "leave_out",
      { kind: "customer", id: item.customerId, customerId: item.customerId },
      input.reason
        ? `${item.number} left out of letters: ${input.reason}`
        : `${item.number} in letters again`,
    );
    return ok(null);
  },
});
