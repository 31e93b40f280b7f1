import type { ImportReport } from "@/contracts/arrivals";
import type { MappingSpec } from "@/core/formats";
import { fail, ok, type Result } from "@/core/result";
import type { Db } from "@/db/connection";
import { importFileById } from "@/db/files";
import { dropAgain, emptyTrayOf, layInTray } from "@/db/tray";
import { undoFile } from "@/server/books/commands/undoFile";
import { before } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";

/** So many refused lines of a file wait in the tray; more than that is a wrong mapping. */
const MOST = 5000;

type Again = { again: number | null; backFirst: boolean };

/** What a file brought that is read again is taken back first, where that is wanted. */
export function takenBackFirst(
  db: Db,
  { again, backFirst }: Again,
): ReturnType<typeof before> | null {
  const file = again === null || !backFirst ? undefined : importFileById(db, again);
  return file?.undoneBy === null ? before(undoFile, { fileId: file.id, rest: false }) : null;
}

/** Whether a file can be read again as this one. Errors: file.unknown, again.file. */
export function readAgain(
  { db }: CommandContext,
  { again, backFirst, mapping }: Again & { mapping: MappingSpec },
): Result<null> {
  if (again === null) return ok(null);
  const file = importFileById(db, again);
  if (!file) return fail("file.unknown");
  return file.kind === mapping.kind || backFirst ? ok(null) : fail("again.file");
}

/**
 * What is refused, or says otherwise than the book, waits in the tray; what a reading of before
 * refused does not wait twice.
 */
export function fillTray(
  ctx: CommandContext,
  fileId: number,
  { refused }: Pick<ImportReport, "refused">,
  again: number | null,
): void {
  for (const { line, column, reason, waits } of refused.slice(0, MOST))
    if (waits) layInTray(ctx.db, { fileId, line, column, why: reason });
  if (again === null) return;
  dropAgain(ctx.db, fileId, again);
  emptyTrayOf(ctx.db, again);
}
