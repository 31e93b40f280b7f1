import { replaceLines } from "@/db/documentLines";
import { type DocumentKind, insertDocument } from "@/db/documents";
import type { CommandContext } from "@/server/runtime/context";

import type { WorkedOut } from "./workOut";

/**
 * Where a draft comes from: an order by its name and content, the invoice that it corrects, the draft
 * that it asks a part of, a schedule.
 */
type DraftOrigin = {
  kind?: DocumentKind;
  orderRef?: string;
  orderHash?: string;
  creditsId?: number;
  depositOf?: number;
  schedule?: string;
};

/** Keeps a new draft with its lines, in the name of whoever does it; gives its id. */
export function insertDraft(
  ctx: CommandContext,
  { content, lines, charges }: WorkedOut,
  { kind = "invoice", orderRef, orderHash, creditsId, depositOf, schedule }: DraftOrigin = {},
): number {
  const head = {
    kind,
    stage: "draft" as const,
    orderRef: orderRef ?? null,
    orderHash: orderHash ?? null,
    creditsId: creditsId ?? null,
    depositOf: depositOf ?? null,
    writtenBy: ctx.who.actor,
  };
  const id = insertDocument(ctx.db, head, content);
  replaceLines(ctx.db, id, lines, charges);
  ctx.act(
    "draft",
    { kind: "document", id, customerId: content.customerId },
    `${wordsOf({ orderRef, schedule })}, ${ctx.sum(content.total, content.currency)}`,
  );
  return id;
}

function wordsOf({ orderRef, schedule }: DraftOrigin): string {
  if (schedule !== undefined) return `draft of the schedule ${schedule}`;
  return orderRef === undefined ? "draft written" : `draft of order ${orderRef}`;
}
