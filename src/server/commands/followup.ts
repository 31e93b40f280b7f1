import { z } from "zod";

import type { Day } from "@/core/calendar";
import { waitInWords } from "@/core/followup";
import { minor } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { customerById, setLeftOut } from "@/db/customers";
import { insertContact, insertLetter } from "@/db/followup";

import { defineCommand } from "../command";
import { draftLetter } from "../letters";
import { proposalsOf } from "../proposals";
import { overdueRows } from "../queries/overdue";

const isoDay = z.iso.date().transform((text) => text as Day);

/**
 * Records a letter that was looked at, to be delivered right after. Who waits
 * is looked up again here: a receipt that came in meanwhile holds the letter.
 */
export const sendLetter = defineCommand({
  name: "sendLetter",
  schema: z.object({ customerId: z.number().int(), subject: z.string().trim().min(1, "The letter needs a subject.").max(200), body: z.string().trim().min(1, "The letter has no words.").max(20_000) }),
  run(ctx, input): Result<{ letterId: number; actId: number }> {
    const customer = customerById(ctx.db, input.customerId);
    if (!customer) return fail("customer.unknown", { id: input.customerId });
    if (!customer.email) return fail("letter.no_address", { customer: customer.name });
    const row = overdueRows(ctx.db, ctx.today, proposalsOf(ctx.db), customer.id).find((one) => one.customer.id === customer.id);
    if (!row) return fail("letter.nothing", { customer: customer.name });
    const [wait] = row.waits;
    if (wait) return fail("letter.waits", { customer: customer.name, why: waitInWords(wait, ctx.settings.currency) });
    const draft = draftLetter(row, ctx.settings, ctx.today);
    if (!draft.ok) return draft;
    const { step, sum, items } = draft.value;
    const actId = ctx.act("letter", { kind: "customer", id: customer.id, customerId: customer.id }, `letter ${step} to ${customer.email}: ${input.subject}`);
    const name = `${ctx.today}-${customer.externalId.replace(/[^A-Za-z0-9-]/g, "_")}-${actId}`;
    const letterId = insertLetter(
      ctx.db,
      { customerId: customer.id, step, onDay: ctx.today, toAddress: customer.email, subject: input.subject, body: input.body, currency: ctx.settings.currency, sum, messageId: `<${name}@${ctx.who.book}.dozo.invalid>`, fileName: `${name}.eml`, actId },
      items.map((item) => ({ openItemId: item.id, balance: item.balance })),
    );
    return ok({ letterId, actId });
  },
});

/** Notes a call, a note, or a promise to pay with its day and, if known, its sum. */
export const logContact = defineCommand({
  name: "logContact",
  schema: z.object({
    customerId: z.number().int(), kind: z.enum(["call", "note", "promise"]), text: z.string().trim().min(1, "Say what was said, in a few words.").max(2000),
    promisedOn: isoDay.nullable().default(null), promisedSum: z.number().int().positive().transform(minor).nullable().default(null),
  }).refine((input) => input.kind !== "promise" || input.promisedOn !== null, { message: "A promise needs its day.", path: ["promisedOn"] }),
  run(ctx, input): Result<{ actId: number }> {
    const customer = customerById(ctx.db, input.customerId);
    if (!customer) return fail("customer.unknown", { id: input.customerId });
    const actId = ctx.act("contact", { kind: "customer", id: customer.id, customerId: customer.id }, `${input.kind}: ${input.text}`);
    insertContact(ctx.db, { customerId: customer.id, kind: input.kind, onDay: ctx.today, text: input.text, promisedOn: input.promisedOn, promisedSum: input.promisedSum, actId });
    return ok({ actId });
  },
});

/** Leaves a customer out of follow-up, with a reason; without one, takes them in again. */
export const leaveOut = defineCommand({
  name: "leaveOut",
  schema: z.object({ customerId: z.number().int(), reason: z.string().trim().max(200).nullable() }),
  run(ctx, input): Result<null> {
    const customer = customerById(ctx.db, input.customerId);
    if (!customer) return fail("customer.unknown", { id: input.customerId });
    setLeftOut(ctx.db, customer.id, input.reason || null);
    ctx.act("leave_out", { kind: "customer", id: customer.id, customerId: customer.id }, input.reason ? `left out of follow-up: ${input.reason}` : "in follow-up again");
    return ok(null);
  },
});
