import { type ActKind, type ActRow, actsOf } from "@/db/acts";
import type { CommandContext } from "@/server/runtime/context";

/** Acts that nothing rests on. */
export const WITHOUT_WEIGHT: ReadonlySet<ActKind> = new Set([
  "undo",
  "contact",
  "ask",
  "decide",
  "retry",
  "tray",
]);

/** What was done on the same document later and still stands, in its own words; null where nothing was. */
export function restsOn(ctx: CommandContext, act: ActRow): string | null {
  const later = actsOf(ctx.db, act.subjectKind, act.subjectId).filter(
    ({ id, undoneBy, kind }) => id > act.id && undoneBy === null && !WITHOUT_WEIGHT.has(kind),
  );
  return later.at(-1)?.text ?? null;
}
