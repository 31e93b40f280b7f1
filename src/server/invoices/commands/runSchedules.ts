import { z } from "zod";

import { ok, type Result } from "@/core/result";
import { forgetFailures, markFailed, schedulesDue } from "@/db/schedules";
import { defineCommand } from "@/server/runtime/command";
import { inWords } from "@/server/runtime/messages";

import { writePeriod } from "../steps/writePeriod";

/** Documents that one run writes at most: the book is free for others in between. */
const MOST_AT_ONCE = 100;

/**
 * Writes what is due by today, each period once. What cannot be written says why on its schedule,
 * and keeps no other waiting; it is tried again the next day, or as soon as it is changed.
 */
export const runSchedules = defineCommand({
  name: "runSchedules",
  schema: z.object({
    /** Whether what could not be written today is tried once more: a person asks for it. */
    again: z.boolean().default(false),
  }),
  run(ctx, { again }): Result<{ written: number; failed: number; more: boolean }> {
    if (again) forgetFailures(ctx.db);
    let [written, failed] = [0, 0];
    while (written + failed < MOST_AT_ONCE) {
      const [schedule] = schedulesDue(ctx.db, ctx.today, 1);
      if (!schedule) return ok({ written, failed, more: false });
      const made = ctx.part(() => writePeriod(ctx, schedule));
      if (made.ok) written += 1;
      else {
        failed += 1;
        markFailed(ctx.db, schedule.id, ctx.today, inWords(made.error));
        ctx.act(
          "schedule",
          { kind: "schedule", id: schedule.id, customerId: schedule.customerId },
          `${schedule.name}: not written, ${inWords(made.error)}`,
        );
      }
      ctx.who.progress?.(written + failed, MOST_AT_ONCE);
    }
    return ok({ written, failed, more: schedulesDue(ctx.db, ctx.today, 1).length > 0 });
  },
});
