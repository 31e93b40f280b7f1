import { z } from "zod";

import { fail, ok, type Result } from "@/core/result";
import { actsOfCommand } from "@/db/acts";
import { defineCommand } from "@/server/runtime/command";

import { isUndoable } from "../reversals";
import { undoAct } from "./undo";

/**
 * Undoes everything that one command did (the sure ones posted together), the last first, all of it
 * or nothing; what was undone since stays undone.
 */
export const undoTogether = defineCommand({
  name: "undoTogether",
  schema: z.object({ commandId: z.number().int() }),
  run(ctx, input): Result<{ undone: number }> {
    const acts = actsOfCommand(ctx.db, input.commandId).filter(
      (act) => act.undoneBy === null && isUndoable(act.kind),
    );
    if (acts.length === 0) return fail("act.unknown");
    for (const act of acts.reverse()) {
      const done = undoAct(ctx, act);
      if (!done.ok) return done;
    }
    return ok({ undone: acts.length });
  },
});
