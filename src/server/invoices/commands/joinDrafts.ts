import { z } from "zod";

import type { DraftInput } from "@/contracts/invoices";
import { fail, ok, type Result } from "@/core/result";
import { replaceLines } from "@/db/documentLines";
import { changeDocument, documentById, type DocumentRow, setStage } from "@/db/documents";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";

import { inputOf } from "../steps/inputOf";
import { workOut } from "../steps/workOut";

/**
 * Makes one invoice of several drafts of a customer, as when several orders are billed together: the
 * lines of all in the first, in the order in which they were written; the others are dropped.
 */
export const joinDrafts = defineCommand({
  name: "joinDrafts",
  schema: z.object({ ids: z.array(z.number().int()).min(2, "Choose two or more.").max(200) }),
  run(ctx, { ids }): Result<{ id: number; total: number }> {
    const drafts = draftsOf(
      ctx,
      [...new Set(ids)].sort((a, b) => a - b),
    );
    if (!drafts.ok) return drafts;
    const [first, ...others] = drafts.value;
    if (!first || others.length === 0) return fail("join.few");
    const worked = workOut(ctx, together(drafts.value.map((draft) => inputOf(ctx.db, draft))));
    if (!worked.ok) return worked;
    const { content, lines, charges } = worked.value;
    changeDocument(ctx.db, first.id, content);
    replaceLines(ctx.db, first.id, lines, charges);
    const subject = { kind: "document" as const, customerId: first.customerId };
    for (const { id } of others) {
      setStage(ctx.db, id, "dropped");
      ctx.act("draft", { ...subject, id }, "billed together with another draft");
    }
    const sum = ctx.sum(content.total, content.currency);
    ctx.act("draft", { ...subject, id: first.id }, `${others.length + 1} drafts made one, ${sum}`);
    return ok({ id: first.id, total: content.total });
  },
});

/** Drafts that may be billed together: of one customer and currency, by the same rules. */
function draftsOf({ db }: CommandContext, ids: readonly number[]): Result<DocumentRow[]> {
  const drafts: DocumentRow[] = [];
  for (const id of ids) {
    const draft = documentById(db, id);
    if (!draft) return fail("document.unknown", { id });
    if (draft.stage !== "draft" || draft.kind !== "invoice")
      return fail("document.written", { number: draft.number ?? "One of these" });
    if (draft.depositOf !== null) return fail("join.deposit");
    if (drafts[0] && !isAlike(draft, drafts[0])) return fail("join.other");
    if (draft.discountPercent !== null || draft.discountSum !== null) return fail("join.discount");
    drafts.push(draft);
  }
  return ok(drafts);
}

const SAME = [
  "customerId",
  "currency",
  "taxIncluded",
  "taxRounded",
  "withholdingPercent",
  "paysBy",
] as const;

const isAlike = (one: DocumentRow, other: DocumentRow): boolean =>
  SAME.every((field) => one[field] === other[field]);

/** The days and terms of the first, the lines and charges of all, every order number. */
function together(inputs: readonly DraftInput[]): DraftInput {
  const [first] = inputs;
  if (!first) throw new RangeError("there is no draft");
  const of = (field: "poNumber" | "note"): string[] =>
    inputs.flatMap((input) => input[field] ?? []);
  return {
    ...first,
    poNumber: [...new Set(of("poNumber"))].join(", ").slice(0, 60) || null,
    note: [...new Set(of("note"))].join("\n").slice(0, 2000) || null,
    lines: inputs.flatMap(({ lines }) => lines),
    charges: inputs.flatMap(({ charges }) => charges),
  };
}
