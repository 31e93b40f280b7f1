import { createHash } from "node:crypto";

import type { PaperFacts } from "@/contracts/invoices";
import type { Day } from "@/core/calendar";
import { type Instalment, nextStage, numberOf, partNumber } from "@/core/invoices";
import { minor, type Minor, split } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { documentById, type DocumentRow, markApproved, setStage } from "@/db/documents";
import { cardOf } from "@/db/customerCards";
import { insertWay } from "@/db/documentWays";
import { drawNumber } from "@/db/series";
import { insertOpenItem, openItemByNumber } from "@/db/openItems";
import type { CommandContext } from "@/server/runtime/context";

import { depositsFit, nameDeposit } from "./deposits";
import { inputOf } from "./inputOf";
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
  const number = freeNumber(ctx, document);
  const paper = { ...worked.value.paper, number };
  const opened = insertItems(ctx, document, paper);
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
function freeNumber(ctx: CommandContext, { kind, issuedOn }: DocumentRow): string {
  const { invoicePrefix, creditNotePrefix } = ctx.settings;
  const prefix = kind === "invoice" ? invoicePrefix : creditNotePrefix;
  for (;;) {
    const running = drawNumber(ctx.db, kind, Number(issuedOn.slice(0, 4)));
    const number = numberOf(prefix, issuedOn, running);
    const taken = [number, partNumber(number, 0)].some((text) => openItemByNumber(ctx.db, text));
    if (!taken) return number;
  }
}

/** What an approved document opened: one item, or one for each of its parts; sums as they are owed. */
export type Opened = { itemId: number; sum: Minor };

function insertItems(
  ctx: CommandContext,
  document: DocumentRow,
  paper: PaperFacts & { number: string },
): [Opened, ...Opened[]] {
  const { parts, number } = paper;
  const whole = { number, dueOn: document.dueOn, terms: document.terms };
  const [first, ...others] = parts ?? [];
  if (!first) {
    const itemId = insertItem(ctx, document, paper, {
      ...whole,
      total: paper.total,
      tax: paper.tax,
    });
    return [{ itemId, sum: paper.total }];
  }
  // Each part bears its share of the tax.
  const taxes = split(
    paper.tax,
    [first, ...others].map(({ sum }) => sum),
  );
  const open = ({ dueOn, terms, sum }: Instalment, at: number): Opened => {
    const tax = taxes[at] ?? minor(0);
    const part = { number: partNumber(number, at), partOf: number, dueOn, terms, total: sum, tax };
    return { itemId: insertItem(ctx, document, paper, part), sum };
  };
  return [open(first, 0), ...others.map((part, at) => open(part, at + 1))];
}

type ToOpen = {
  number: string;
  partOf?: string;
  dueOn: Day;
  terms: string | null;
  total: Minor;
  tax: Minor;
};

function insertItem(
  ctx: CommandContext,
  document: DocumentRow,
  paper: PaperFacts,
  { terms, tax, ...item }: ToOpen,
): number {
  const sign = document.kind === "invoice" ? 1 : -1;
  const total = minor(sign * item.total);
  return insertOpenItem(ctx.db, {
    ...item,
    kind: document.kind,
    customerId: document.customerId,
    issuedOn: document.issuedOn,
    currency: document.currency,
    total,
    tax: minor(sign * tax),
    opened: total,
    balance: total,
    openedOn: document.issuedOn,
    poNumber: document.poNumber,
    terms: document.kind === "invoice" ? terms : null,
    description: paper.lines[0]?.description ?? null,
    fileId: null,
    lineNo: null,
  });
}
