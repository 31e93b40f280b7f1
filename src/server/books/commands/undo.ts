import { z } from "zod";

import { fail, ok, type Result } from "@/core/result";
import { actById, type ActRow, markUndone } from "@/db/acts";
import { entriesOfAct } from "@/db/journal";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";

import { REVERSALS } from "../reversals";
import { reverseEntry } from "../steps/reverse";

/**
 * Undoes an act: its entries are reversed (dated the same day), what it moved goes back to where it
 * came from, and both stay in the history. Refused where something later rests on it, saying what.
 */
export const undo = defineCommand({
  name: "undo",
  schema: z.object({ actId: z.number().int() }),
  run(ctx, input): Result<{ actId: number }> {
    const act = actById(ctx.db, input.actId);
    if (!act) return fail("act.unknown");
    return act.undoneBy === null ? undoAct(ctx, act) : fail("act.undone");
  },
});

/** Undoes an act that still stands; the words stand in the history. */
export function undoAct(
  ctx: CommandContext,
  act: ActRow,
  words = `undone: ${act.text}`,
): Result<{ actId: number }> {
  const reversal = REVERSALS[act.kind];
  const subject = { kind: act.subjectKind, id: act.subjectId, customerId: act.customerId };
  const by = ctx.act("undo", subject, words);
  if (reversal === null) return fail("act.not_undoable", { kind: `“${act.text}”` });
  const back = reversal(ctx, act, by);
  if (!back.ok) return back;
  reverseEntries(ctx, act.id, by);
  markUndone(ctx.db, act.id, by);
  return ok({ actId: by });
}

/** Mirrors every entry of an act that is not reversed yet, dated the same day. */
function reverseEntries(ctx: CommandContext, actId: number, by: number): void {
  const standing = entriesOfAct(ctx.db, actId).filter(
    ({ reversedBy, reverses }) => reversedBy === null && reverses === null,
  );
  for (const entry of standing) reverseEntry(ctx, entry, by);
}
