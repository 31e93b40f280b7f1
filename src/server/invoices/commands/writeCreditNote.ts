import { z } from "zod";

import type { DraftInput } from "@/contracts/invoices";
import { decimalOf } from "@/core/invoices";
import { minor, mulDiv, toDecimal } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { creditNotesOf, documentById, documentOfItem, type DocumentRow } from "@/db/documents";
import { openItemById, type OpenItemRow, partsOfInvoice } from "@/db/openItems";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";

import { approveOne } from "../steps/approveOne";
import { insertDraft } from "../steps/insertDraft";
import { inputOf } from "../steps/inputOf";
import { workOut } from "../steps/workOut";
import { setOffItems } from "./setOff";

const decimal = z.string().trim().max(40);
/** What of an invoice is taken back. */
const taken = z.discriminatedUnion("what", [
  z.object({ what: z.literal("whole") }),
  /** Lines by their numbers, from 1, and how much of each. */
  z.object({
    what: z.literal("lines"),
    lines: z
      .array(z.object({ line: z.number().int().min(1), quantity: decimal }))
      .min(1)
      .max(1000),
  }),
  /** A sum without tax, in minor units, under the tax code of a line. */
  z.object({
    what: z.literal("sum"),
    sum: z.number().int().positive(),
    line: z.number().int().min(1),
  }),
]);
type Taken = z.output<typeof taken>;

/**
 * Corrects an approved invoice by a credit note: of the whole, of lines, or of a sum. It is
 * approved at once, and set off against what is open of the invoice.
 */
export const writeCreditNote = defineCommand({
  name: "writeCreditNote",
  schema: z.object({
    itemId: z.number().int(),
    taken,
    reason: z.string().trim().min(1, "A reason is needed.").max(500),
  }),
  run(ctx, { itemId, taken, reason }): Result<CreditNote> {
    const invoice = documentOfItem(ctx.db, itemId);
    if (invoice?.kind !== "invoice") return fail("document.not_written");
    const input = creditInput(ctx, invoice, taken, reason);
    if (!input.ok) return input;
    const { taxIncluded, taxRounded } = invoice;
    const rules = { included: taxIncluded, rounded: taxRounded };
    const corrects = { kind: "credit_note", corrects: invoice.number, rules } as const;
    const worked = workOut(ctx, input.value, corrects);
    if (!worked.ok) return worked;
    const before = creditNotesOf(ctx.db, invoice.id).reduce((sum, { total }) => sum + total, 0);
    if (before + worked.value.totals.total > invoice.total)
      return fail("credit.too_much", { number: invoice.number ?? "" });
    const id = insertDraft(ctx, worked.value, { kind: "credit_note", creditsId: invoice.id });
    return approved(ctx, id, openedBy(ctx, invoice));
  },
});

type CreditNote = { id: number; number: string | null; commandId: number };

/** Approves it, unless a second person has to, and sets it off against what is open. */
function approved(
  ctx: CommandContext,
  id: number,
  items: readonly OpenItemRow[],
): Result<CreditNote> {
  const document = documentById(ctx.db, id);
  if (!document) return fail("document.unknown", { id });
  const done = approveOne(ctx, document);
  if (!done.ok) return done;
  if (done.value === null) return ok({ id, number: null, commandId: ctx.commandId });
  let left: number = document.total;
  for (const item of items) {
    const amount = Math.min(left, item.balance);
    if (amount <= 0) continue;
    const setOff = { creditItemId: done.value.itemId, itemId: item.id, amount };
    const off = setOffItems(ctx, setOff);
    if (!off.ok) return off;
    left -= amount;
  }
  return ok({ id, number: done.value.number, commandId: ctx.commandId });
}

/** What an invoice opened, the earliest part first: what was billed too much is not asked for next. */
function openedBy({ db }: CommandContext, { number, openItemId }: DocumentRow): OpenItemRow[] {
  const parts = number === null ? [] : partsOfInvoice(db, number);
  const whole = openItemId === null ? undefined : openItemById(db, openItemId);
  return parts.length > 0 || !whole ? parts : [whole];
}

/** The credit note as it would be typed: dated today, in the invoice's words and tax codes. */
function creditInput(
  ctx: CommandContext,
  invoice: DocumentRow,
  taken: Taken,
  reason: string,
): Result<DraftInput> {
  const whole = inputOf(ctx.db, invoice);
  const base: DraftInput = {
    ...whole,
    issuedOn: ctx.today < invoice.issuedOn ? invoice.issuedOn : ctx.today,
    terms: "now",
    dueOn: null,
    dueReason: null,
    note: reason,
    withholdingPercent: null,
    paysBy: null,
  };
  if (taken.what === "whole") return ok(base);
  // A discount of the whole document is borne by its lines: a part is credited at what it came to.
  const part = { ...base, charges: [], discountPercent: null, discountSum: null };
  const lines =
    taken.what === "sum" ? [sumLine(ctx, whole, taken, invoice)] : partLines(whole, taken.lines);
  if (lines.includes(null)) return fail("document.line", { number: invoice.number ?? "" });
  const credited = { ...part, lines: lines.flatMap((line) => line ?? []) };
  if (taken.what === "sum") return ok(credited);
  return ok({
    ...credited,
    discountPercent: whole.discountPercent,
    discountSum: discountOfLines(ctx, whole, taken.lines),
  });
}

/** What the lines that are taken back bore of a discount that is a sum: by the part of each that is taken. */
function discountOfLines(
  ctx: CommandContext,
  whole: DraftInput,
  asked: readonly { line: number; quantity: string }[],
): number | null {
  if (whole.discountSum === null) return null;
  const worked = workOut(ctx, whole);
  if (!worked.ok) return null;
  const { discounts } = worked.value.totals;
  return asked.reduce((sum, { line, quantity }) => {
    const [part, billed] = [decimalOf(quantity), decimalOf(whole.lines[line - 1]?.quantity ?? "")];
    if (!part.ok || !billed.ok || billed.value.units === 0n) return sum;
    const numerator = part.value.units * 10n ** BigInt(billed.value.places);
    const denominator = billed.value.units * 10n ** BigInt(part.value.places);
    return sum + mulDiv(discounts[line - 1] ?? 0, numerator, denominator, "half-up");
  }, 0);
}

type Line = DraftInput["lines"][number];

const partLines = (
  { lines }: DraftInput,
  asked: readonly { line: number; quantity: string }[],
): (Line | null)[] =>
  asked.map(({ line, quantity }) => {
    const found = lines[line - 1];
    return found ? { ...found, quantity } : null;
  });

function sumLine(
  ctx: CommandContext,
  { lines }: DraftInput,
  { sum, line }: { sum: number; line: number },
  { currency }: DocumentRow,
): Line | null {
  const found = lines[line - 1];
  if (!found) return null;
  return {
    item: found.item,
    description: `Credit on ${found.description}`.slice(0, 500),
    quantity: "1",
    rate: toDecimal(minor(sum), currency),
    discountPercent: null,
    taxCode: found.taxCode,
    settles: null,
  };
}
