import { z } from "zod";

import { fail, ok, type Result } from "@/core/result";
import { type ActRow, actsOfCommand, markUndone } from "@/db/acts";
import { importFileById } from "@/db/files";
import { entriesOfAct, entryById } from "@/db/journal";
import {
  commandOfFile,
  hasTrail,
  markFileUndone,
  namesWhatIsGone,
  putBackRows,
} from "@/db/undoFile";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";

import { proofInWords, proofs } from "../queries/proofs";
import { isUndoable } from "../reversals";
import { lastResting, restsOnFile, standingActs } from "../steps/restsOnFile";
import { postAgain, reverseEntry } from "../steps/reverse";
import { undoAct } from "./undo";

/**
 * Takes back a whole file: its entries are mirrored, what it wrote is gone, what it changed is as it
 * was, and it can be taken in anew. Refused where something rests on what it brought, unless that
 * is undone first, the last first, in the same go (`rest`). Errors: file.unknown, file.undone,
 * file.before, file.rests, file.blocked.
 */
export const undoFile = defineCommand({
  name: "undoFile",
  schema: z.object({ fileId: z.number().int(), rest: z.boolean().default(false) }),
  run(ctx, { fileId, rest }): Result<{ undone: number }> {
    const resting = restsOnFile(ctx.db, fileId);
    const [last] = resting;
    if (last && !rest) return fail("file.rests", { count: resting.length, words: last.words });
    const done = undoWhole(ctx, fileId);
    if (!done.ok) return done;
    if (namesWhatIsGone(ctx.db)) return fail("file.named");
    // Nothing is taken back of which the book does not come out afterwards.
    const broken = proofs(ctx.db).proofs.find(({ holds }) => !holds);
    return broken ? fail("file.tangled", { proof: proofInWords(broken.name).what }) : done;
  },
});

function undoWhole(ctx: CommandContext, fileId: number): Result<{ undone: number }> {
  const file = importFileById(ctx.db, fileId);
  if (!file) return fail("file.unknown");
  if (file.undoneBy !== null) return fail("file.undone", { name: file.name });
  const commandId = commandOfFile(ctx.db, fileId);
  if (commandId === undefined || !hasTrail(ctx.db, commandId))
    return fail("file.before", { name: file.name });
  let undone = 1;
  for (let next = lastResting(ctx.db, commandId); next !== undefined;) {
    const done = undoCommand(ctx, next);
    if (!done.ok) return done;
    undone += done.value;
    next = lastResting(ctx.db, commandId);
  }
  const by = ctx.act("undo", { kind: "import_file", id: fileId }, `undone: took in ${file.name}`);
  putBackRows(ctx.db, commandId);
  for (const act of actsOfCommand(ctx.db, commandId)) takeBack(ctx, act, by);
  markFileUndone(ctx.db, fileId, by);
  return ok({ undone });
}

/** Undoes what a later command did; gives how many things. */
function undoCommand(ctx: CommandContext, commandId: number): Result<number> {
  const acts = standingActs(ctx.db, commandId);
  const file = acts.find(({ kind }) => kind === "import");
  if (file) {
    const done = undoWhole(ctx, file.subjectId);
    return done.ok ? ok(done.value.undone) : done;
  }
  for (const act of acts.reverse()) {
    if (!isUndoable(act.kind)) return fail("file.blocked", { words: act.text });
    const done = undoAct(ctx, act);
    if (!done.ok) return done;
  }
  return ok(acts.length);
}

/** The entries of an act that still stand are mirrored; what it did went with the rows. */
function takeBack(ctx: CommandContext, act: ActRow, by: number): void {
  if (act.undoneBy !== null) return;
  for (const entry of entriesOfAct(ctx.db, act.id)) {
    const mirrored = entry.reverses === null ? undefined : entryById(ctx.db, entry.reverses);
    // What it had mirrored stands again; what of it was mirrored since is done with.
    if (mirrored) postAgain(ctx, mirrored, by);
    else if (entry.reversedBy === null) reverseEntry(ctx, entry, by);
  }
  markUndone(ctx.db, act.id, by);
}
