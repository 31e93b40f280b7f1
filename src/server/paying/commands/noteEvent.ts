import { z } from "zod";

import { isoDay } from "@/contracts/values";
import { ok, type Result } from "@/core/result";
import { insertProcessorEvent } from "@/db/processorEvents";
import { defineCommand } from "@/server/runtime/command";

/** Notes that what an event of a processor said was looked after: the same again says nothing new. */
export const noteEvent = defineCommand({
  name: "noteEvent",
  schema: z.object({
    id: z.string().min(1).max(120),
    account: z.string().min(1).max(40),
    on: isoDay,
  }),
  run: (ctx, event): Result<{ isNew: boolean }> =>
    ok({ isNew: insertProcessorEvent(ctx.db, { ...event, at: ctx.at }) }),
});
