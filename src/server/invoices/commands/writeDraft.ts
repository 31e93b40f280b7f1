import { z } from "zod";

import { draftInput } from "@/contracts/invoices";
import { fail, ok, type Result } from "@/core/result";
import {
  changeDocument,
  documentById,
  type DocumentRow,
  insertDocument,
  replaceLines,
} from "@/db/documents";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";

import { workOut, type WorkedOut } from "../steps/workOut";

/** Writes a draft anew, or over what it was; its sums are worked out here and never taken from outside. */
export const writeDraft = defineCommand({
  name: "writeDraft",
  schema: z.object({ id: z.number().int().nullable().default(null), draft: draftInput }),
  run(ctx, { id, draft }): Result<{ id: number; total: number }> {
    const before = id === null ? ok(null) : draftBefore(ctx, id);
    if (!before.ok) return before;
    const worked = workOut(ctx, draft, writtenAs(ctx, before.value));
    if (!worked.ok) return worked;
    const saved = before.value ? over(ctx, before.value, worked.value) : anew(ctx, worked.value);
    return ok({ id: saved, total: worked.value.totals.total });
  },
});

/** A draft that may still be written over. */
function draftBefore({ db }: CommandContext, id: number): Result<DocumentRow> {
  const found = documentById(db, id);
  if (!found) return fail("document.unknown", { id });
  return found.stage === "draft"
    ? ok(found)
    : fail("document.written", { number: found.number ?? "This document" });
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

function anew(ctx: CommandContext, { content, lines, charges }: WorkedOut): number {
  const id = insertDocument(
    ctx.db,
    {
      kind: "invoice",
      stage: "draft",
      orderRef: null,
      orderHash: null,
      creditsId: null,
      writtenBy: ctx.who.actor,
    },
    content,
  );
  replaceLines(ctx.db, id, lines, charges);
  ctx.act(
    "draft",
    { kind: "document", id, customerId: content.customerId },
    `draft written, ${ctx.sum(content.total, content.currency)}`,
  );
  return id;
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
