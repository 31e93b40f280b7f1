import { z } from "zod";

import { fail, ok, type Result } from "@/core/result";
import { actById, type ActRow, actsOfCommand, markUndone } from "@/db/acts";
import type { Db } from "@/db/connection";
import { importFileById, type ImportFileRow } from "@/db/files";
import { entriesOfAct, entryById } from "@/db/journal";
import {
  commandOfFile,
  isSealed,
  markFileUndone,
  namesWhatIsGone,
  putBackRows,
} from "@/db/undoFile";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";

import { proofInWords, proofs } from "../queries/proofs";
import { isUndoable } from "../reversals";
import { type RestingCommand, restingOn } from "../steps/restsOnFile";
import { postAgain, reverseEntry } from "../steps/reverse";
import { undoAct } from "./undo";

/**
 * Takes back a whole file: its entries are mirrored, what it wrote is gone, what it changed is as it
 * was, and it can be taken in anew. Refused where something rests on what it brought, unless that
 * is undone first, the last first, in the same go (`rest`). Errors: file.unknown, file.undone,
 * file.before, file.rests, file.blocked, file.named (something that ended names it), file.tangled.
 */
export const undoFile = defineCommand({
  name: "undoFile",
  schema: z.object({ fileId: z.number().int(), rest: z.boolean().default(false) }),
  run(ctx, { fileId, rest }): Result<{ undone: number }> {
    const standing = standingFile(ctx.db, fileId);
    if (!standing.ok) return standing;
    const { file, commandId } = standing.value;
    const resting = restingOn(ctx.db, commandId);
    const [last] = resting;
    if (last && !rest)
      return fail("file.rests", { count: thingsIn(resting), words: last.acts[0]?.text ?? "" });
    for (const command of resting) {
      const done = undoCommand(ctx, command);
      if (!done.ok) return done;
    }
    takeBackFile(ctx, file, commandId);
    if (namesWhatIsGone(ctx.db)) return fail("file.named");
    // Nothing is taken back of which the book does not come out afterwards.
    const broken = proofs(ctx.db).proofs.find(({ holds }) => !holds);
    return broken
      ? fail("file.tangled", { proof: proofInWords(broken.name).what })
      : ok({ undone: thingsIn(resting) + 1 });
  },
});

/** A file that was taken in, was not taken back since, and of which it is known what was there before. */
function standingFile(db: Db, fileId: number): Result<{ file: ImportFileRow; commandId: number }> {
  const file = importFileById(db, fileId);
  if (!file) return fail("file.unknown");
  if (file.undoneBy !== null) return fail("file.undone", { name: file.name });
  const commandId = commandOfFile(db, fileId);
  return commandId === undefined || !isSealed(db, commandId)
    ? fail("file.before", { name: file.name })
    : ok({ file, commandId });
}

/** A file is one thing, whatever was done with it; else each act is. */
const thingsIn = (resting: readonly RestingCommand[]): number =>
  resting.reduce((sum, { acts, fileId }) => sum + (fileId === null ? acts.length : 1), 0);

/** Undoes what a command that rests on the file did. */
function undoCommand(
  ctx: CommandContext,
  { commandId, acts, fileId }: RestingCommand,
): Result<null> {
  if (fileId !== null) {
    const standing = standingFile(ctx.db, fileId);
    if (!standing.ok) return standing;
    takeBackFile(ctx, standing.value.file, commandId);
    return ok(null);
  }
  for (const act of acts.toReversed()) {
    // Undoing a later one may have taken it along.
    if (actById(ctx.db, act.id)?.undoneBy !== null) continue;
    if (!isUndoable(act.kind)) return fail("file.blocked", { words: act.text });
    const done = undoAct(ctx, act);
    if (!done.ok) return done;
  }
  return ok(null);
}

/** Its rows are as they were before it, and what it posted is mirrored. */
function takeBackFile(ctx: CommandContext, { id, name }: ImportFileRow, commandId: number): void {
  const by = ctx.act("undo", { kind: "import_file", id }, `undone: took in ${name}`);
  putBackRows(ctx.db, commandId);
  for (const act of actsOfCommand(ctx.db, commandId)) takeBack(ctx, act, by);
  markFileUndone(ctx.db, id, by);
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
