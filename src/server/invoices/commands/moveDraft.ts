import { z } from "zod";

import { nextStage } from "@/core/invoices";
import { fail, ok, type Result } from "@/core/result";
import { documentById, setStage } from "@/db/documents";
import { defineCommand } from "@/server/runtime/command";

const WORDS = {
  drop: "draft dropped",
  take_up: "draft taken up again",
  return: "given back to be changed",
} as const;

/** Drops a draft, takes a dropped one up again, or gives back what waits for approval. */
export const moveDraft = defineCommand({
  name: "moveDraft",
  schema: z.object({ id: z.number().int(), to: z.enum(["drop", "take_up", "return"]) }),
  run(ctx, { id, to }): Result<null> {
    const document = documentById(ctx.db, id);
    if (!document) return fail("document.unknown", { id });
    const next = nextStage(document.stage, to);
    if (!next.ok) return next;
    if (next.value === "approved") return fail("document.stage", { stage: "approved", event: to });
    setStage(ctx.db, id, next.value);
    ctx.act("draft", { kind: "document", id, customerId: document.customerId }, WORDS[to]);
    return ok(null);
  },
});
