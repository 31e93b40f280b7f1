import { z } from "zod";

import type { Day } from "@/core/calendar";
import { waitInWords, type LetterTemplate } from "@/core/followup";
import { minor, sumOf } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { customerById, setLeftOut } from "@/db/customers";
import {
  insertContact,
  insertLetter,
  insertPromiseParts,
  runSkips,
  setRunSkip,
} from "@/db/followup";

import { defineCommand } from "../command";
import type { Ctx } from "../context";
import { draftLetter } from "../letters";
import { inWords } from "../messages";
import { proposalsOf } from "../proposals";
import { overdueRows, type OverdueRow } from "../queries/overdue";

const isoDay = z.iso.date().transform((text) => text as Day);
/** The words of a letter that was looked at. */
const letter = z.object({
  customerId: z.number().int(),
  subject: z.string().trim().min(1, "The letter needs a subject.").max(200),
  body: z.string().trim().min(1, "The letter has no words.").max(20_000),
});

/** A letter of a run; where its words were left as they are they are not given: they are filled in when it goes, from what is open then. */
const toWrite = letter
  .partial({ subject: true, body: true })
  .refine(({ subject, body }) => (subject === undefined) === (body === undefined), {
    message: "Subject and letter come together, or neither.",
    path: ["body"],
  });

/**
 * Records a letter that was looked at, to be delivered right after. Who waits
 * is looked up again here: a receipt that came in meanwhile holds the letter.
 */
export const sendLetter = defineCommand({
  name: "sendLetter",
  schema: letter,
  run(ctx, input): Result<{ letterId: number; actId: number }> {
    const customer = customerById(ctx.db, input.customerId);
    if (!customer) return fail("customer.unknown", { id: input.customerId });
    const row = overdueRows(ctx.db, ctx.today, proposalsOf(ctx.db), customer.id).find(
      (one) => one.customer.id === customer.id,
    );
    return row ? record(ctx, row, input) : fail("letter.nothing", { customer: customer.name });
  },
});

/**
 * Records all letters of a run that was looked through, each once; they are
 * delivered one after the other in the background, and go on after a restart.
 * Whose reason to be written to is gone meanwhile gets none, and is named.
 */
export const sendLetters = defineCommand({
  name: "sendLetters",
  schema: z.object({ letters: z.array(toWrite).min(1).max(100_000) }),
  run(
    ctx,
    input,
  ): Result<{ sent: number; held: { customerId: number; customer: string; why: string }[] }> {
    const rows = new Map(
      overdueRows(ctx.db, ctx.today, proposalsOf(ctx.db)).map((row) => [row.customer.id, row]),
    );
    const held: { customerId: number; customer: string; why: string }[] = [];
    const seen = new Set<number>();
    let sent = 0;
    input.letters.forEach((one, at) => {
      ctx.who.progress?.(at, input.letters.length);
      if (seen.has(one.customerId)) return;
      seen.add(one.customerId);
      const row = rows.get(one.customerId);
      const done = row
        ? record(
            ctx,
            row,
            one.subject !== undefined && one.body !== undefined
              ? { subject: one.subject, body: one.body }
              : null,
          )
        : null;
      if (done?.ok) sent += 1;
      else
        held.push({
          customerId: one.customerId,
          customer: row?.customer.name ?? customerById(ctx.db, one.customerId)?.name ?? "",
          why: done?.error.code === "letter.words" ? inWords(done.error) : whyHeld(ctx, row),
        });
    });
    return sent === 0
      ? fail("letters.all_held", { count: held.length, why: held[0]?.why })
      : ok({ sent, held });
  },
});

function whyHeld(ctx: Ctx, row: OverdueRow | undefined): string {
  if (!row) return "nothing is past its date any more";
  const [wait] = row.waits;
  if (wait) return `waits for ${waitInWords(wait, ctx.settings.currency)}`;
  if (row.leftOut !== null) return `left out: ${row.leftOut}`;
  return row.state === "later" || (row.letterFrom !== null && row.letterFrom > ctx.today)
    ? "was written to already"
    : "has no e-mail address that letters reach";
}

/** Records a letter with the words that were looked at, or (null) with those of its template. */
function record(
  ctx: Ctx,
  row: OverdueRow,
  looked: LetterTemplate | null,
): Result<{ letterId: number; actId: number }> {
  const { customer } = row;
  const [wait] = row.waits;
  if (wait)
    return fail("letter.waits", {
      customer: customer.name,
      why: waitInWords(wait, ctx.settings.currency),
    });
  if (row.leftOut !== null)
    return fail("letter.left_out", { customer: customer.name, why: row.leftOut });
  if (row.state === "later")
    return fail("letter.later", { customer: customer.name, day: row.next.on });
  if (row.letterFrom !== null && row.letterFrom > ctx.today)
    return fail("letter.later", { customer: customer.name, day: row.letterFrom });
  const draft = draftLetter(ctx.db, row, ctx.settings, ctx.today);
  if (!draft.ok) return draft;
  const {
    step,
    sum,
    items,
    attach,
    to,
    copies,
    back: [back],
    fee,
  } = draft.value;
  const said = looked ?? draft.value;
  if (to === null)
    return back
      ? fail("letter.came_back", back)
      : fail("letter.no_address", { customer: customer.name });
  const actId = ctx.act(
    "letter",
    { kind: "customer", id: customer.id, customerId: customer.id },
    `letter ${step} to ${to}: ${said.subject}`,
  );
  const name = `${ctx.today}-${customer.externalId.replace(/[^A-Za-z0-9-]/g, "_")}-${actId}`;
  const letterId = insertLetter(
    ctx.db,
    {
      customerId: customer.id,
      step,
      onDay: ctx.today,
      toAddress: to,
      copyAddress: copies,
      subject: said.subject,
      body: said.body,
      currency: ctx.settings.currency,
      sum,
      messageId: `<${name}@${ctx.who.book}.dozo.invalid>`,
      fileName: `${name}.eml`,
      attach,
      fee,
      actId,
    },
    items.map((item) => ({ openItemId: item.id, balance: item.balance })),
  );
  return ok({ letterId, actId });
}

/**
 * Records every letter that may go by itself today, with the words as they
 * are; whoever was taken out beforehand gets none. By schedule, or by hand.
 */
export const runLetters = defineCommand({
  name: "runLetters",
  schema: z.object({}),
  run(ctx): Result<{ sent: number; held: number }> {
    const skips = runSkips(ctx.db, ctx.today);
    const rows = overdueRows(ctx.db, ctx.today, proposalsOf(ctx.db)).filter(
      (row) => row.goesByItself && !skips.has(row.customer.id),
    );
    let sent = 0;
    rows.forEach((row, at) => {
      ctx.who.progress?.(at, rows.length);
      if (record(ctx, row, null).ok) sent += 1;
    });
    ctx.act(
      "run",
      { kind: "book", id: 0 },
      `letters that go by themselves: ${sent} sent${rows.length > sent ? `, ${rows.length - sent} without an address that letters reach` : ""}${skips.size > 0 ? `, ${skips.size} taken out` : ""}`,
    );
    return ok({ sent, held: rows.length - sent });
  },
});

/** Takes a customer out of the letters that go by themselves on a day, with a reason; without one, puts it back. */
export const skipRun = defineCommand({
  name: "skipRun",
  schema: z.object({
    customerId: z.number().int(),
    onDay: isoDay,
    why: z.string().trim().min(3, "Say why, in a few words.").max(200).nullable(),
  }),
  run(ctx, input): Result<null> {
    const customer = customerById(ctx.db, input.customerId);
    if (!customer) return fail("customer.unknown", { id: input.customerId });
    setRunSkip(ctx.db, customer.id, input.onDay, input.why);
    ctx.act(
      "leave_out",
      { kind: "customer", id: customer.id, customerId: customer.id },
      input.why === null
        ? `in the letters of ${input.onDay} again`
        : `taken out of the letters of ${input.onDay}: ${input.why}`,
    );
    return ok(null);
  },
});

/** Notes a call, a note, or a promise to pay with its day and, if known, its sum. A call or task that the ladder asked for is its rung. */
export const logContact = defineCommand({
  name: "logContact",
  schema: z
    .object({
      customerId: z.number().int(),
      kind: z.enum(["call", "note", "promise"]),
      text: z.string().trim().min(1, "Say what was said, in a few words.").max(2000),
      promisedOn: isoDay.nullable().default(null),
      promisedSum: z.number().int().positive().transform(minor).nullable().default(null),
      /** A promise in parts: its day and sum are then those of the last part and of all together. */
      parts: z
        .array(z.object({ dueOn: isoDay, sum: z.number().int().positive().transform(minor) }))
        .max(24)
        .default([]),
      /** A task or a stop of supply that the ladder asked for is done. */ done: z
        .boolean()
        .default(false),
    })
    .refine(
      (input) => input.kind !== "promise" || input.promisedOn !== null || input.parts.length > 0,
      { message: "A promise needs its day.", path: ["promisedOn"] },
    )
    .refine(({ parts }) => new Set(parts.map(({ dueOn }) => dueOn)).size === parts.length, {
      message: "Two parts have the same day. Make one of them.",
      path: ["parts"],
    }),
  run(ctx, input): Result<{ actId: number }> {
    const customer = customerById(ctx.db, input.customerId);
    if (!customer) return fail("customer.unknown", { id: input.customerId });
    const actId = ctx.act(
      "contact",
      { kind: "customer", id: customer.id, customerId: customer.id },
      `${input.kind}: ${input.text}`,
    );
    const parts =
      input.kind === "promise" ? [...input.parts].sort((a, b) => (a.dueOn < b.dueOn ? -1 : 1)) : [];
    const last = parts.at(-1);
    const contactId = insertContact(ctx.db, {
      customerId: customer.id,
      kind: input.kind,
      onDay: ctx.today,
      text: input.text,
      promisedOn: last?.dueOn ?? input.promisedOn,
      promisedSum: last ? sumOf(parts, ({ sum }) => sum) : input.promisedSum,
      step: stepOf(ctx, customer.id, input),
      actId,
    });
    if (parts.length > 1) insertPromiseParts(ctx.db, contactId, parts);
    return ok({ actId });
  },
});

function stepOf(
  ctx: Ctx,
  customerId: number,
  input: { kind: "call" | "note" | "promise"; done: boolean },
): number | null {
  const row = overdueRows(ctx.db, ctx.today, proposalsOf(ctx.db), customerId).find(
    (one) => one.customer.id === customerId,
  );
  if (!row || row.next.on > ctx.today) return null;
  const { act, step } = row.next.step;
  return (act === "call" && input.kind !== "note") ||
    ((act === "task" || act === "stop") && input.done)
    ? step
    : null;
}

/** Leaves a customer out of follow-up, with a reason; without one, takes them in again. */
export const leaveOut = defineCommand({
  name: "leaveOut",
  schema: z.object({ customerId: z.number().int(), reason: z.string().trim().max(200).nullable() }),
  run(ctx, input): Result<null> {
    const customer = customerById(ctx.db, input.customerId);
    if (!customer) return fail("customer.unknown", { id: input.customerId });
    setLeftOut(ctx.db, customer.id, input.reason || null);
    ctx.act(
      "leave_out",
      { kind: "customer", id: customer.id, customerId: customer.id },
      input.reason ? `left out of follow-up: ${input.reason}` : "in follow-up again",
    );
    return ok(null);
  },
});
