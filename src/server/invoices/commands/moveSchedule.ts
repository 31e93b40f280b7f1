import { z } from "zod";

import { periodOf, periodsDue } from "@/core/invoices";
import { fail, ok, type Result } from "@/core/result";
import {
  insertRun,
  moveOn,
  type ScheduleRow,
  type ScheduleState,
  scheduleById,
  setScheduleState,
} from "@/db/schedules";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";

const NEXT = {
  pause: { from: "running", to: "paused" },
  resume: { from: "paused", to: "running" },
  end: { from: null, to: "ended" },
} as const satisfies Record<string, { from: ScheduleState | null; to: ScheduleState }>;

/** Pauses a schedule, resumes it, or ends it for good. What passed in a pause is billed only if asked. */
export const moveSchedule = defineCommand({
  name: "moveSchedule",
  schema: z.object({
    id: z.number().int(),
    to: z.enum(["pause", "resume", "end"]),
    /** Resumed: whether the periods of the pause are billed now. */
    makeUp: z.boolean().default(false),
  }),
  run(ctx, { id, to, makeUp }): Result<{ leftOut: number }> {
    const schedule = scheduleById(ctx.db, id);
    if (!schedule) return fail("schedule.unknown");
    const { from, to: state } = NEXT[to];
    if (schedule.state === "ended") return fail("schedule.ended");
    if (from !== null && schedule.state !== from) return fail("schedule.state", { to });
    setScheduleState(ctx.db, id, state);
    const leftOut = to === "resume" && !makeUp ? leaveOutPaused(ctx, schedule) : 0;
    const words = leftOut === 0 ? "" : `, ${leftOut} of the pause left out`;
    ctx.act(
      "schedule",
      { kind: "schedule", id, customerId: schedule.customerId },
      `${schedule.name}: ${to === "end" ? "ended for good" : `${to}d`}${words}`,
    );
    return ok({ leftOut });
  },
});

/** Periods that began in the pause become nothing, and stand so in its history. */
function leaveOutPaused(ctx: CommandContext, { id, plan, nextNo }: ScheduleRow): number {
  const passed = periodsDue(plan, nextNo, ctx.today).filter(({ from }) => from < ctx.today);
  for (const period of passed) insertRun(ctx.db, id, period, { leftOut: "paused" });
  const no = nextNo + passed.length;
  moveOn(ctx.db, id, { no, on: periodOf(plan, no)?.writtenOn ?? null });
  return passed.length;
}
