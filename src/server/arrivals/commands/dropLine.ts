import { z } from "zod";

import { fail, ok, type Result } from "@/core/result";
import { setTrayState, trayLine } from "@/db/tray";
import { defineCommand } from "@/server/runtime/command";
import type { Reversal } from "@/server/runtime/reversal";

/** Drops a refused line that is not to be taken in, with the reason; U. */
export const dropLine = defineCommand({
  name: "dropLine",
  schema: z.object({
    lineId: z.number().int(),
    reason: z.string().trim().min(3, "Say why.").max(200),
  }),
  run(ctx, { lineId, reason }): Result<{ actId: number }> {
    const found = trayLine(ctx.db, lineId);
    if (found?.state !== "waits") return fail("tray.gone");
    setTrayState(ctx.db, lineId, { state: "dropped", reason });
    const actId = ctx.act(
      "tray",
      { kind: "tray_line", id: lineId },
      `line ${found.line} of ${found.file} dropped: ${reason}`,
    );
    return ok({ actId });
  },
});

/** The line waits again. */
export const undropLine: Reversal = (ctx, act) => {
  if (trayLine(ctx.db, act.subjectId)?.state !== "dropped") return fail("tray.gone");
  setTrayState(ctx.db, act.subjectId, { state: "waits", reason: null });
  return ok(null);
};
