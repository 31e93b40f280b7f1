import { createHash } from "node:crypto";
import { z } from "zod";

import { draftInput, orderInput } from "@/contracts/invoices";
import { firstProblem } from "@/contracts/problems";
import {
  decimalOf,
  decimalText,
  type Order,
  type OrderLine,
  type OrderRefusal,
} from "@/core/invoices";
import { type Failure, fail, ok, type Result } from "@/core/result";
import { customerByExternalId } from "@/db/customers";
import { documentById, documentOfOrder, type DocumentRow } from "@/db/documents";
import { insertTaxCode, taxCodes } from "@/db/taxCodes";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";

import { approveOne } from "../steps/approveOne";
import { insertDraft } from "../steps/insertDraft";
import { workOut } from "../steps/workOut";

export type TakenOrder = { document: string; id: number };
export type OrdersTaken = { documents: TakenOrder[]; refused: OrderRefusal[] };

/**
 * Makes documents of orders, each by itself: one with an error is refused whole, the others go on.
 * An order that comes again as it was is the document that it became; another of its name is refused.
 */
export const takeOrders = defineCommand({
  name: "takeOrders",
  schema: z.object({ orders: z.array(orderInput).max(50_000), approve: z.boolean() }),
  run(ctx, { orders, approve }): Result<OrdersTaken> {
    const taken: OrdersTaken = { documents: [], refused: [] };
    for (const [at, each] of orders.entries()) {
      const done = ctx.part(() => take(ctx, each, approve));
      if (done.ok) taken.documents.push({ document: each.document, id: done.value });
      else taken.refused.push(placed(each, done.error));
      if (at % 50 === 0) ctx.who.progress?.(at, orders.length);
    }
    return ok(taken);
  },
});

/** What an order says, wherever its rows stand in a file. */
function hashOf(order: Order): string {
  const said = { ...order, row: 0, lines: order.lines.map((line) => ({ ...line, row: 0 })) };
  return createHash("sha256").update(JSON.stringify(said)).digest("hex");
}

function take(ctx: CommandContext, order: Order, approve: boolean): Result<number> {
  const hash = hashOf(order);
  const before = documentOfOrder(ctx.db, order.document);
  if (before && before.orderHash !== hash)
    return fail("order.changed", { field: "document", document: order.document });
  const document = before ? ok(before) : written(ctx, order, hash);
  if (!document.ok) return document;
  if (approve && ["draft", "waiting"].includes(document.value.stage)) {
    const done = approveOne(ctx, document.value);
    if (!done.ok) return done;
  }
  return ok(document.value.id);
}

function written(ctx: CommandContext, order: Order, hash: string): Result<DocumentRow> {
  const customer = customerByExternalId(ctx.db, order.customerId);
  if (!customer) return fail("customer.unknown", { field: "customer_id", id: order.customerId });
  const taxes = knownTaxes(ctx, order.lines);
  if (!taxes.ok) return taxes;
  const input = draftInput.safeParse(inputOf(order, customer.id));
  if (!input.success) return fail("input.invalid", firstProblem(input.error, "order"));
  const worked = workOut(ctx, input.data);
  if (!worked.ok) return worked;
  const origin = { orderRef: order.document, orderHash: hash };
  const id = insertDraft(ctx, worked.value, origin);
  const document = documentById(ctx.db, id);
  return document ? ok(document) : fail("document.unknown", { id });
}

const inputOf = (order: Order, customerId: number): z.input<typeof draftInput> => ({
  customerId,
  issuedOn: order.issuedOn,
  terms: order.terms,
  dueOn: order.dueOn,
  dueReason: order.dueOn === null ? null : "as ordered",
  currency: order.currency,
  poNumber: order.poNumber,
  note: null,
  discountPercent: null,
  withholdingPercent: null,
  paysBy: null,
  lines: order.lines.map(({ item, description, quantity, rate, discountPercent, taxCode }) => ({
    item,
    description,
    quantity,
    rate,
    discountPercent,
    taxCode,
  })),
});

/** Makes the tax codes that the book does not know yet; one that it knows has its own percent. */
function knownTaxes(ctx: CommandContext, lines: readonly OrderLine[]): Result<null> {
  const known = new Map(taxCodes(ctx.db).map(({ code, percent }) => [code, percent]));
  for (const [at, line] of lines.entries()) {
    const percent = percentOf(line, known);
    if (!percent.ok)
      return { ok: false, error: { field: "tax_percent", line: at + 1, ...percent.error } };
    const { taxCode } = line;
    if (taxCode === null || known.has(taxCode)) continue;
    known.set(taxCode, percent.value);
    insertTaxCode(ctx.db, {
      code: taxCode,
      percent: percent.value,
      category: percent.value === "0" ? "zero" : "standard",
      note: null,
    });
  }
  return ok(null);
}

/** The percent of a line's tax, by what it says or what the book knows; the two agree. */
function percentOf(
  { taxCode, taxPercent }: OrderLine,
  known: ReadonlyMap<string, string>,
): Result<string> {
  if (taxCode === null)
    return taxPercent === null || Number(taxPercent) === 0 ? ok("0") : fail("order.tax_code");
  const own = known.get(taxCode);
  if (taxPercent === null)
    return own === undefined ? fail("document.tax_unknown", { text: taxCode }) : ok(own);
  const read = decimalOf(taxPercent);
  if (!read.ok || read.value.units < 0n || Number(decimalText(read.value)) > 100)
    return fail("document.number", { text: taxPercent });
  const said = decimalText(read.value);
  return own === undefined || own === said
    ? ok(said)
    : fail("order.tax_percent", { tax: taxCode, percent: own, text: taxPercent });
}

/** A failure with its row and column: of the line that it is in, else of the document's first row. */
function placed({ document, row, lines }: Order, error: Failure): OrderRefusal {
  const { line, field } = error;
  const at = typeof line === "number" ? lines[line - 1]?.row : undefined;
  return {
    document,
    row: at ?? row,
    field: typeof field === "string" ? field : (FIELDS[error.code] ?? "document"),
    error,
  };
}

/** The column that a failure of another part is about. */
const FIELDS: Readonly<Record<string, string>> = {
  "terms.unreadable": "terms",
  "plan.percent": "terms",
  "plan.parts": "terms",
  "currency.unknown": "currency",
  "rate.missing": "currency",
};
