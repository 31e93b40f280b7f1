import { z } from "zod";

import { fail, ok, type Result } from "@/core/result";
import { noticeById, setMended } from "@/db/returnsAndDisputes";
import { defineCommand } from "@/server/runtime/command";
import type { Reversal } from "@/server/runtime/reversal";

/** An account was mended as its bank told (notification of change). */
export const mendAccount = defineCommand({
  name: "mendAccount",
  schema: z.object({ noticeId: z.number().int() }),
  run(ctx, input): Result<{ actId: number }> {
    const notice = noticeById(ctx.db, input.noticeId);
    if (!notice || notice.mendedOn !== null) return fail("notice.unknown");
    const actId = ctx.act(
      "mend",
      { kind: "change_notice", id: notice.id, customerId: notice.customerId },
      `account of ${notice.name} mended, as its bank told (${notice.code})`,
    );
    setMended(ctx.db, notice.id, ctx.today, actId);
    return ok({ actId });
  },
});

/** A notification of change waits to be dealt with again. */
export const unmendAccount: Reversal = (ctx, act) => {
  setMended(ctx.db, act.subjectId, null, null);
  return ok(null);
};
