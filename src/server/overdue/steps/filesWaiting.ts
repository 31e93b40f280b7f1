import { filesInWords } from "@/core/followup";
import { fail, type Result } from "@/core/result";
import { waitingFiles } from "@/server/arrivals/queries/arrived";
import type { CommandContext } from "@/server/runtime/context";

/**
 * Why no letter goes while files wait in Arrivals: whoever paid in one of them would be reminded.
 * `despite` are the names that were shown to the person who sends all the same; a file that came
 * since then asks again. Null where nothing is in the way.
 */
export function filesInTheWay(
  ctx: CommandContext,
  despite: readonly string[] = [],
): Result<never> | null {
  const seen = new Set(despite);
  const waiting = waitingFiles(ctx.db, ctx.who.book).filter((name) => !seen.has(name));
  if (waiting.length === 0) return null;
  return fail("letters.files_wait", { files: filesInWords(waiting) });
}
