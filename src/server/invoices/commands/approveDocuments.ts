import { z } from "zod";

import { fail, ok, type Result } from "@/core/result";
import { documentById } from "@/db/documents";
import { defineCommand } from "@/server/runtime/command";

import { type Approved, approveOne } from "../steps/approveOne";

/** Approves drafts: all of them or none. What waits for a second person is counted apart. */
export const approveDocuments = defineCommand({
  name: "approveDocuments",
  schema: z.object({ ids: z.array(z.number().int()).min(1).max(2000) }),
  run(ctx, { ids }): Result<{ approved: Approved[]; waiting: number }> {
    const approved: Approved[] = [];
    let waiting = 0;
    for (const [at, id] of ids.entries()) {
      const document = documentById(ctx.db, id);
      if (!document) return fail("document.unknown", { id });
      const done = approveOne(ctx, document);
      if (!done.ok) return done;
      if (done.value) approved.push(done.value);
      else waiting += 1;
      if (at % 50 === 0) ctx.who.progress?.(at, ids.length);
    }
    return ok({ approved, waiting });
  },
});
