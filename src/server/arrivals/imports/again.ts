import type { ImportReport } from "@/contracts/arrivals";
import type { MappingSpec } from "@/core/formats";
import { fail, ok, type Result } from "@/core/result";
import { importFileById } from "@/db/files";
import { dropAgain, emptyTrayOf, layInTray } from "@/db/tray";
import { undoFile } from "@/server/books/commands/undoFile";
import type { CommandContext } from "@/server/runtime/context";

/** So many refused lines of a file wait in the tray; more than that is a wrong mapping. */
const MOST = 5000;

/**
 * A file that is read again: what it brought is taken back first where that is wanted. Errors:
 * again.file, and those of undoFile.
 */
export function readAgain(
  ctx: CommandContext,
  { again, backFirst, mapping }: { again: number | null; backFirst: boolean; mapping: MappingSpec },
): Result<unknown> {
  if (again === null) return ok(null);
  const file = importFileById(ctx.db, again);
  if (!file) return fail("file.unknown");
  if (file.kind !== mapping.kind && !backFirst) return fail("again.file");
  return backFirst && file.undoneBy === null
    ? undoFile.run(ctx, { fileId: again, rest: false })
    : ok(null);
}

/** What is refused waits in the tray; what a reading of before refused does not wait twice. */
export function fillTray(
  ctx: CommandContext,
  fileId: number,
  { refused }: Pick<ImportReport, "refused">,
  again: number | null,
): void {
  for (const { line, column, reason, changed } of refused.slice(0, MOST))
    if (!changed) layInTray(ctx.db, { fileId, line, column, why: reason });
  if (again === null) return;
  dropAgain(ctx.db, fileId, again);
  emptyTrayOf(ctx.db, again);
}
