import { createHash } from "node:crypto";

import { nextStage, numberOf, partNumber } from "@/core/invoices";
import { fail, ok, type Result } from "@/core/result";
import { documentById, type DocumentRow, markApproved, setStage } from "@/db/documents";
import { cardOf } from "@/db/customerCards";
import { insertWay } from "@/db/documentWays";
import { drawNumber } from "@/db/series";
import { openItemByNumber } from "@/db/openItems";
import type { CommandContext } from "@/server/runtime/context";

import { depositsFit, nameDeposit } from "./deposits";
import { inputOf } from "./inputOf";
import { openItems } from "./openItems";
import { postDocument } from "./postDocument";
import { workOut } from "./workOut";

export type Approved = { id: number; number: string; itemId: number; actId: number };

/**
 * Approves a document: draws its number, freezes what its paper says, opens its item and posts it.
 * What the book wants looked at by a second person waits for one instead (null).
 */
export function approveOne(ctx: CommandContext, document: DocumentRow): Result<Approved | null> {
  const next = nextStage(document.stage, "approve");
  if (!next.ok) return next;
  if (needsSecond(ctx, document)) return waitForSecond(ctx, document);
  const stale = ctx.staleRate(document.currency, document.issuedOn);
  if (stale) return { ok: false, error: stale };
  if (document.issuedOn <= ctx.settings.cutOverOn)
    return fail("document.cut_over", { field: "issued_on", day: ctx.settings.cutOverOn });
  const worked = workOut(ctx, inputOf(ctx.db, document), {
    kind: document.kind,
    corrects: correctedBy(ctx, document),
    rules: { included: document.taxIncluded, rounded: document.taxRounded },
  });
  if (!worked.ok) return worked;
  const fits = depositsFit(ctx.db, document, worked.value.lines);
  if (!fits.ok) return fits;
  const number = freeNumber(ctx, document, worked.value.paper.parts?.length ?? 0);
  const paper = { ...worked.value.paper, number };
  const opened = openItems(ctx, document, paper);
  const [{ itemId }] = opened;
  const frozen = JSON.stringify(paper);
  markApproved(ctx.db, document.id, {
    number,
    openItemId: itemId,
    frozen,
    frozenHash: createHash("sha256").update(frozen).digest("hex"),
    by: ctx.who.actor,
    on: ctx.today,
  });
  insertWay(ctx.db, document.id, cardOf(ctx.db, document.customerId).way);
  const words = document.kind === "invoice" ? "invoice" : "credit note";
  const actId = ctx.act(
    "approve",
    { kind: "open_item", id: itemId, customerId: document.customerId },
    `${words} ${number} approved, ${ctx.sum(document.total, document.currency)}`,
  );
  const text = `${words} ${number}`;
  postDocument(ctx, { document, worked: worked.value, opened, actId, text });
  nameDeposit(ctx.db, document, number);
  return ok({ id: document.id, number, itemId, actId });
}

/** The number of the invoice that a credit note corrects. */
const correctedBy = ({ db }: CommandContext, { creditsId }: DocumentRow): string | null =>
  creditsId === null ? null : (documentById(db, creditsId)?.number ?? null);

/** Whether somebody else than who wrote it has to approve it. */
const needsSecond = ({ settings, who }: CommandContext, document: DocumentRow): boolean =>
  settings.approvalOver !== null &&
  document.total > settings.approvalOver &&
  document.writtenBy === who.actor;

function waitForSecond(ctx: CommandContext, document: DocumentRow): Result<null> {
  if (document.stage === "waiting") return fail("document.second", { name: document.writtenBy });
  setStage(ctx.db, document.id, "waiting");
  ctx.act(
    "draft",
    { kind: "document", id: document.id, customerId: document.customerId },
    `${ctx.sum(document.total, document.currency)} waits for somebody else to approve it`,
  );
  return ok(null);
}

/** The next number of its series that no document has; numbers that came by a file are passed over. */
function freeNumber(ctx: CommandContext, { kind, issuedOn }: DocumentRow, parts: number): string {
  const { invoicePrefix, creditNotePrefix } = ctx.settings;
  const prefix = kind === "invoice" ? invoicePrefix : creditNotePrefix;
  for (;;) {
    const running = drawNumber(ctx.db, kind, Number(issuedOn.slice(0, 4)));
    const number = numberOf(prefix, issuedOn, running);
    const own = Array.from({ length: parts }, (_, at) => partNumber(number, at));
    const taken = [number, ...own].some((text) => openItemByNumber(ctx.db, text));
    if (!taken) return number;
  }
}
