import { z } from "zod";

import { isoDay } from "@/contracts/values";
import { fail, ok, type Result } from "@/core/result";
import { writeSettings } from "@/db/settings";
import { defineCommand } from "@/server/runtime/command";

/**
 * Closes every day up to one, or opens them again: nothing is dated there any more, and what comes
 * late stands on the first open day.
 */
export const lockPeriod = defineCommand({
  name: "lockPeriod",
  schema: z.object({
    to: isoDay.nullable(),
    why: z.string().trim().min(3, "Say why, in a few words.").max(200),
  }),
  run(ctx, input): Result<{ actId: number }> {
    if (input.to !== null && input.to >= ctx.today) return fail("lock.today");
    writeSettings(ctx.db, { lockedTo: input.to });
    const before = ctx.settings.lockedTo;
    return ok({
      actId: ctx.act(
        "lock",
        { kind: "book", id: 0 },
        `${input.to === null ? "every day is open again" : `days up to ${input.to} are closed`}${before === null ? "" : ` (before: ${before})`}: ${input.why}`,
      ),
    });
  },
});
