import { z } from "zod";

import { fail } from "@/core/result";
import { backupInPool } from "@/server/runtime/threads/reader";

import { answer, type BookParams, fromBook } from "../../../../../answers";

const body = z.object({ what: z.enum(["keep", "drill"]) });

/** Takes a backup of the book now, or restores the last one into a scratch folder and proves it. */
export async function POST(request: Request, context: BookParams): Promise<Response> {
  const parsed = body.safeParse(await request.json().catch(() => null));
  if (!parsed.success)
    return answer(fail("input.invalid", { where: "what", what: "say keep or drill." }));
  const { what } = parsed.data;
  const { book } = await context.params;
  let failed: Response | null = null;
  const found = await fromBook(context, async ({ settings }) => {
    const done = await backupInPool(
      what === "drill" ? { book, what } : { book, what, keep: Math.max(settings.backupsKept, 1) },
    );
    if (!done.ok) failed = answer(done);
    return done.ok ? done.value : null;
  });
  return failed ?? found;
}
