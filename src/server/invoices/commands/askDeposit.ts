import { z } from "zod";

import type { DraftInput } from "@/contracts/invoices";
import { type Decimal, decimalOf, decimalText, readPlan } from "@/core/invoices";
import { type Currency, minor, type Minor, mulDiv, toDecimal } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { replaceLines } from "@/db/documentLines";
import { changeDocument, documentById, type DocumentRow } from "@/db/documents";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";

import { depositWords } from "../steps/depositWords";
import { inputOf } from "../steps/inputOf";
import { insertDraft } from "../steps/insertDraft";
import { workOut, type WorkedOut } from "../steps/workOut";

/**
 * Asks for a part of a draft beforehand: writes the draft of the deposit invoice, and the line of
 * the first that takes it off again. Each tax of the draft bears its share.
 */
export const askDeposit = defineCommand({
  name: "askDeposit",
  schema: z.object({
    id: z.number().int(),
    version: z.number().int(),
    /** Of what the draft comes to without deposits. */
    percent: z.string().trim().max(40),
  }),
  run(ctx, { id, version, percent }): Result<{ id: number; total: number }> {
    const draft = documentById(ctx.db, id);
    if (!draft) return fail("document.unknown", { id });
    if (draft.stage !== "draft" || draft.kind !== "invoice" || draft.depositOf !== null)
      return fail("deposit.not_of", { number: draft.number ?? "This document" });
    if (draft.version !== version) return fail("document.elsewhere");
    const share = decimalOf(percent);
    if (!share.ok || !isShare(share.value))
      return fail("deposit.percent", { field: "percent", text: percent });
    const order = inputOf(ctx.db, draft);
    const billing = { ...order, lines: order.lines.filter(({ settles }) => settles === null) };
    const worked = workOut(ctx, billing, writtenAs(draft));
    if (!worked.ok) return worked;
    return written(ctx, { draft, order, worked: worked.value, share: share.value });
  },
});

const isShare = ({ units, places }: Decimal): boolean =>
  units > 0n && units < 100n * 10n ** BigInt(places);

const isParted = (terms: string | null): boolean => {
  const plan = terms === null ? null : readPlan(terms);
  return plan !== null && plan.ok && plan.value.length > 1;
};

const writtenAs = ({ taxIncluded, taxRounded }: DocumentRow): Parameters<typeof workOut>[2] => ({
  kind: "invoice",
  corrects: null,
  rules: { included: taxIncluded, rounded: taxRounded },
});

type Asked = { draft: DocumentRow; order: DraftInput; worked: WorkedOut; share: Decimal };

function written(ctx: CommandContext, asked: Asked): Result<{ id: number; total: number }> {
  const { draft, order, share } = asked;
  const lines = depositLines(ctx, asked);
  const asks: DraftInput = {
    ...order,
    issuedOn: ctx.today < order.issuedOn ? ctx.today : order.issuedOn,
    dueOn: null,
    dueReason: null,
    // What is asked for beforehand is not asked for in parts.
    terms: isParted(order.terms) ? "now" : order.terms,
    discountPercent: null,
    discountSum: null,
    charges: [],
    lines,
  };
  const deposit = workOut(ctx, asks, writtenAs(draft));
  if (!deposit.ok) return deposit;
  const id = insertDraft(ctx, deposit.value, { depositOf: draft.id });
  const less = depositWords(ctx.db, draft.customerId).less(`${decimalText(share)} %`);
  const taken = lines.map((line) => ({ ...line, description: less, quantity: "-1", settles: id }));
  const left = workOut(ctx, { ...order, lines: [...order.lines, ...taken] }, writtenAs(draft));
  if (!left.ok) return left;
  changeDocument(ctx.db, draft.id, left.value.content);
  replaceLines(ctx.db, draft.id, left.value.lines, left.value.charges);
  const { total, currency } = deposit.value.content;
  ctx.act(
    "draft",
    { kind: "document", id: draft.id, customerId: draft.customerId },
    `${ctx.sum(total, currency)} asked for beforehand`,
  );
  return ok({ id, total });
}

/** A line for each tax of the draft, with its share; rates contain the tax where the draft's do. */
function depositLines(
  { db }: CommandContext,
  { draft, worked, share }: Asked,
): DraftInput["lines"] {
  const words = depositWords(db, draft.customerId);
  const what = draft.poNumber ?? worked.lines[0]?.description ?? "";
  return worked.totals.taxes
    .map(({ tax, net, sum }) => {
      const whole = minor(draft.taxIncluded ? net + sum : net);
      return { taxCode: tax.code || null, part: partOf(whole, share) };
    })
    .filter(({ part }) => part !== 0)
    .map(({ taxCode, part }) => ({
      item: null,
      description: words.of(decimalText(share), what),
      quantity: "1",
      rate: rateOf(part, draft.currency),
      discountPercent: null,
      taxCode,
      settles: null,
    }));
}

const partOf = (whole: Minor, { units, places }: Decimal): Minor =>
  mulDiv(whole, units, 100n * 10n ** BigInt(places), "half-up");

const rateOf = (sum: Minor, currency: Currency): string => toDecimal(sum, currency);
