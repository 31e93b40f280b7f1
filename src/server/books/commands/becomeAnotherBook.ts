import { z } from "zod";

import { ok, type Result } from "@/core/result";
import { becomeAnother } from "@/db/copy";
import { defineCommand } from "@/server/runtime/command";

/** Makes a restored copy a book of its own: its id is another, and its customers have new links. */
export const becomeAnotherBook = defineCommand({
  name: "becomeAnotherBook",
  schema: z.object({}),
  run(ctx): Result<null> {
    becomeAnother(ctx.db);
    ctx.act("settings", { kind: "book", id: 0 }, "restored as a book of its own");
    return ok(null);
  },
});
