import { z } from "zod";

import { fail, ok, type Result } from "@/core/result";
import { deleteLadder, ladders } from "@/db/ladders";
import { defineCommand } from "@/server/runtime/command";

/** Takes a ladder away; who was on it is on the standard one. */
export const removeLadder = defineCommand({
  name: "removeLadder",
  schema: z.object({ id: z.number().int() }),
  run(ctx, input): Result<null> {
    const ladder = ladders(ctx.db).find(({ id }) => id === input.id);
    if (!ladder) return fail("ladder.unknown");
    if (ladder.standard) return fail("ladder.standard");
    deleteLadder(ctx.db, ladder.id);
    ctx.act("settings", { kind: "book", id: 0 }, `ladder ${ladder.name} taken away`);
    return ok(null);
  },
});
