import { type DocumentKind, insertDocument, replaceLines } from "@/db/documents";
import type { CommandContext } from "@/server/runtime/context";

import type { WorkedOut } from "./workOut";

/** Where a draft comes from: an order by its name and content, or the invoice that it corrects. */
type DraftOrigin = {
  kind?: DocumentKind;
  orderRef?: string;
  orderHash?: string;
  creditsId?: number;
};

/** Keeps a new draft with its lines, in the name of whoever does it; gives its id. */
export function insertDraft(
  ctx: CommandContext,
  { content, lines, charges }: WorkedOut,
  { kind = "invoice", orderRef, orderHash, creditsId }: DraftOrigin = {},
): number {
  const head = {
    kind,
    stage: "draft" as const,
    orderRef: orderRef ?? null,
    orderHash: orderHash ?? null,
    creditsId: creditsId ?? null,
    writtenBy: ctx.who.actor,
  };
  const id = insertDocument(ctx.db, head, content);
  replaceLines(ctx.db, id, lines, charges);
  const words = orderRef === undefined ? "draft written" : `draft of order ${orderRef}`;
  ctx.act(
    "draft",
    { kind: "document", id, customerId: content.customerId },
    `${words}, ${ctx.sum(content.total, content.currency)}`,
  );
  return id;
}
