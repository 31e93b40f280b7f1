import { z } from "zod";

import { ok, type Result } from "@/core/result";
import { defineCommand } from "@/server/runtime/command";
import { inWords } from "@/server/runtime/messages";

import { sendOne } from "../steps/sendOne";

/** Sends approved documents by mail: each by itself, so that one without an address keeps none back. */
export const sendDocuments = defineCommand({
  name: "sendDocuments",
  schema: z.object({
    ids: z.array(z.number().int()).min(1).max(2000),
    /** Words that were looked at; null: the book's. */
    subject: z.string().trim().min(1).max(200).nullable().default(null),
    body: z.string().trim().min(1).max(20_000).nullable().default(null),
    /** Whether what was sent before goes once more. */
    again: z.boolean().default(false),
  }),
  run(ctx, { ids, subject, body, again }): Result<{ sent: number; refused: Refused[] }> {
    const own = subject === null || body === null ? null : { subject, body };
    const refused: Refused[] = [];
    for (const [at, id] of ids.entries()) {
      const done = ctx.part(() => sendOne(ctx, id, { own, again }));
      if (!done.ok) refused.push({ id, why: inWords(done.error) });
      if (at % 50 === 0) ctx.who.progress?.(at, ids.length);
    }
    return ok({ sent: ids.length - refused.length, refused });
  },
});

type Refused = { id: number; why: string };
