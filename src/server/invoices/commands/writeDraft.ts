import { z } from "zod";

import { draftInput } from "@/contracts/invoices";
import { fail, ok, type Result } from "@/core/result";
import { replaceLines } from "@/db/documentLines";
import { changeDocument, documentById, type DocumentRow } from "@/db/documents";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";

import { insertDraft } from "../steps/insertDraft";
import { workOut, type WorkedOut } from "../steps/workOut";

/** Writes a draft anew, or over what it was; its sums are worked out here and never taken from outside. */
export const writeDraft = defineCommand({
  name: "writeDraft",
  schema: z.object({
    id: z.number().int().nullable().default(null),
    /** Which state of it was seen by who writes over it: another is not written over. */
    version: z.number().int().default(0),
    draft: draftInput,
  }),
  run(ctx, { id, version, draft }): Result<{ id: number; total: number; version: number }> {
    const before = id === null ? ok(null) : draftBefore(ctx, { id, version });
    if (!before.ok) return before;
    const worked = workOut(ctx, draft, writtenAs(ctx, before.value));
    if (!worked.ok) return worked;
    const { total } = worked.value.totals;
    if (!before.value) return ok({ id: insertDraft(ctx, worked.value), total, version: 0 });
    return ok({ id: over(ctx, before.value, worked.value), total, version: version + 1 });
  },
});

/** A draft that may still be written over. */
function draftBefore(
  { db }: CommandContext,
  { id, version }: { id: number; version: number },
): Result<DocumentRow> {
  const found = documentById(db, id);
  if (!found) return fail("document.unknown", { id });
  if (found.stage !== "draft")
    return fail("document.written", { number: found.number ?? "This document" });
  return found.version === version ? ok(found) : fail("document.elsewhere");
}

/** A draft stays what it is: an invoice, or the credit note of one. */
function writtenAs(
  { db }: CommandContext,
  before: DocumentRow | null,
): Parameters<typeof workOut>[2] {
  if (!before) return undefined;
  const corrected = before.creditsId === null ? undefined : documentById(db, before.creditsId);
  return { kind: before.kind, corrects: corrected?.number ?? null };
}

function over(
  ctx: CommandContext,
  { id, total }: DocumentRow,
  { content, lines, charges }: WorkedOut,
): number {
  changeDocument(ctx.db, id, content);
  replaceLines(ctx.db, id, lines, charges);
  if (total !== content.total)
    ctx.act(
      "draft",
      { kind: "document", id, customerId: content.customerId },
      `draft changed to ${ctx.sum(content.total, content.currency)}`,
    );
  return id;
}
