import { z } from "zod";

import { country, currencyCode, emailAddress, name } from "@/contracts/values";
import { readPlan } from "@/core/invoices";
import { WAYS } from "@/core/invoices";
import { nextCustomerNumber } from "@/core/parties";
import { fail, ok, type Result } from "@/core/result";
import { taxNumberOf } from "@/core/taxNumbers";
import { cardOf, type CustomerCard, insertEdit, setCard } from "@/db/customerCards";
import {
  customerByExternalId,
  customerById,
  type CustomerRow,
  insertCustomer,
  isAboveOf,
  latestCustomerNumber,
  setCustomer,
} from "@/db/customers";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";

const noneIfEmpty = <Schema extends z.ZodType>(schema: Schema) =>
  z.preprocess((text) => (text === "" ? null : text), schema.nullable().default(null));

export const customerInput = z.object({
  name,
  /** Empty: the next. It stays once it is given. */
  number: z.string().trim().max(60).default(""),
  email: noneIfEmpty(emailAddress),
  phone: noneIfEmpty(z.string().trim().max(40)),
  parentId: z.number().int().nullable().default(null),
  address: z.array(z.string().trim().min(1).max(120)).max(6).default([]),
  country: noneIfEmpty(country),
  taxNumber: noneIfEmpty(z.string().trim().max(40)),
  terms: noneIfEmpty(
    z
      .string()
      .trim()
      .refine((text) => readPlan(text).ok, "Like n/30, 2/10 n/30, eom/15, 30% now; rest n/30."),
  ),
  currency: noneIfEmpty(currencyCode),
  way: z.enum(WAYS).default("mail"),
  paysBy: z
    .array(z.enum(["card", "bank"]))
    .nullable()
    .default(null),
  notes: z.string().trim().max(4000).default(""),
  look: noneIfEmpty(z.string().trim().max(40)),
});
type CustomerInput = z.output<typeof customerInput>;

/** Writes a new customer, or changes one. Its number stays: files know it by that. */
export const writeCustomer = defineCommand({
  name: "writeCustomer",
  schema: z.object({ id: z.number().int().nullable().default(null), customer: customerInput }),
  run(ctx, { id, customer }): Result<{ id: number; number: string; actId: number }> {
    const tax =
      customer.taxNumber === null ? ok(null) : taxNumberOf(customer.taxNumber, customer.country);
    if (!tax.ok) return tax;
    const written = { ...customer, taxNumber: tax.value?.text ?? customer.taxNumber };
    if (written.look !== null && !ctx.settings.looks.some(({ name }) => name === written.look))
      return fail("look.unknown", { field: "look", look: written.look });
    if (written.parentId !== null && !customerById(ctx.db, written.parentId))
      return fail("customer.unknown", { id: written.parentId });
    return id === null ? writeNew(ctx, written) : change(ctx, id, written);
  },
});

type Written = { id: number; number: string; actId: number };

function writeNew(ctx: CommandContext, input: CustomerInput): Result<Written> {
  const taken = (number: string): boolean => customerByExternalId(ctx.db, number) !== undefined;
  if (input.number !== "" && taken(input.number))
    return fail("customer.taken", { field: "number", number: input.number });
  const number = input.number || nextCustomerNumber(latestCustomerNumber(ctx.db), taken);
  const { name: called, email, phone, parentId } = input;
  const row = { externalId: number, name: called, email, phone, parentId };
  const id = insertCustomer(ctx.db, { ...row, fileId: null, lineNo: null });
  setCard(ctx.db, id, cardIn(input));
  const actId = ctx.act(
    "customer_new",
    { kind: "customer", id, customerId: id },
    `new customer ${number}, ${called}`,
  );
  return ok({ id, number, actId });
}

function change(ctx: CommandContext, id: number, input: CustomerInput): Result<Written> {
  const before = customerById(ctx.db, id);
  if (!before || before.mergedInto !== null) return fail("customer.unknown", { id });
  if (input.number !== "" && input.number !== before.externalId)
    return fail("customer.number", { field: "number", number: before.externalId });
  if (input.parentId !== null && isAboveOf(ctx.db, id, input.parentId))
    return fail("customer.circle", { id: before.externalId, parent: String(input.parentId) });
  const card = cardOf(ctx.db, id);
  const actId = ctx.act(
    "customer",
    { kind: "customer", id, customerId: id },
    `customer changed: ${changedWords({ ...fieldsOf(before), ...card }, { ...fieldsOf(input), ...cardIn(input) })}`,
  );
  insertEdit(ctx.db, actId, id, { customer: fieldsOf(before), card });
  setCustomer(ctx.db, id, fieldsOf(input));
  setCard(ctx.db, id, cardIn(input));
  return ok({ id, number: before.externalId, actId });
}

const fieldsOf = ({
  name: called,
  email,
  phone,
  parentId,
}: Pick<CustomerRow, "name" | "email" | "phone" | "parentId">) => ({
  name: called,
  email,
  phone,
  parentId,
});

const cardIn = (input: CustomerInput): CustomerCard => ({
  address: input.address,
  country: input.country,
  taxNumber: input.taxNumber,
  terms: input.terms,
  currency: input.currency,
  way: input.way,
  paysBy: input.paysBy,
  notes: input.notes,
  look: input.look,
});

const FIELD_WORDS: Readonly<Record<string, string>> = {
  parentId: "head office",
  taxNumber: "tax number",
  paysBy: "ways to pay",
  way: "how invoices come",
};

function changedWords(before: Record<string, unknown>, after: Record<string, unknown>): string {
  const changed = Object.keys(after).filter(
    (field) => JSON.stringify(before[field]) !== JSON.stringify(after[field]),
  );
  return changed.map((field) => FIELD_WORDS[field] ?? field).join(", ") || "nothing";
}
