import { z } from "zod";

import type { Day } from "@/core/calendar";
import { ATTACHED, FEE_KINDS, LADDER_ACTS, LANGUAGES } from "@/core/followup";
import { minor } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { customerById } from "@/db/customers";
import {
  deleteLadder,
  insertLadder,
  ladders,
  renameLadder,
  setFeeRule,
  setFollowed,
  setItemLeftOut,
  setSteps,
} from "@/db/ladders";
import { openItemById } from "@/db/openItems";

import { defineCommand } from "../command";

const isoDay = z.iso.date().transform((text) => text as Day);
const sum = z.number().int().min(0).max(100_000_000).transform(minor);
const step = z.object({
  fromDays: z.number().int().min(-60, "At most 60 days before the due day.").max(365),
  act: z.enum(LADDER_ACTS),
  tone: z.number().int().min(1).max(4).default(1),
  byItself: z.boolean().default(false),
  attach: z.enum(ATTACHED).default("none"),
  fee: sum.default(minor(0)),
});
const fee = z.object({
  kind: z.enum(FEE_KINDS),
  fixed: sum,
  percent: z
    .string()
    .trim()
    .regex(/^\d{1,2}(\.\d{1,4})?$/, "Write it like 1.5."),
  grace: z.number().int().min(0).max(365),
  least: sum,
  most: sum.nullable(),
});

/** Keeps a ladder: its name and all its rungs, in the order of their days. Without an id, a new one. */
export const setLadder = defineCommand({
  name: "setLadder",
  schema: z.object({
    id: z.number().int().nullable().default(null),
    name: z.string().trim().min(1, "What do you call it?").max(60),
    steps: z.array(step).min(1, "A ladder has at least one step.").max(12),
    fee: fee.optional(),
  }),
  run(ctx, input): Result<{ id: number }> {
    const all = ladders(ctx.db);
    if (input.id !== null && !all.some(({ id }) => id === input.id)) return fail("ladder.unknown");
    if (all.some(({ id, name }) => name === input.name && id !== input.id))
      return fail("ladder.taken", { name: input.name });
    const steps = [...input.steps]
      .sort((a, b) => a.fromDays - b.fromDays)
      .map((one, at) => ({ ...one, step: at + 1 }));
    if (new Set(steps.map(({ fromDays }) => fromDays)).size < steps.length)
      return fail("ladder.days");
    const id = input.id ?? insertLadder(ctx.db, input.name);
    if (input.id !== null) renameLadder(ctx.db, id, input.name);
    setSteps(ctx.db, id, steps);
    if (input.fee) setFeeRule(ctx.db, id, input.fee);
    ctx.act(
      "settings",
      { kind: "book", id: 0 },
      `ladder ${input.name}: ${steps.map(({ fromDays, act }) => `${act} at ${fromDays} days`).join(", ")}`,
    );
    return ok({ id });
  },
});

/** Takes a ladder away; who was on it is on the standard one. */
export const removeLadder = defineCommand({
  name: "removeLadder",
  schema: z.object({ id: z.number().int() }),
  run(ctx, input): Result<null> {
    const ladder = ladders(ctx.db).find(({ id }) => id === input.id);
    if (!ladder) return fail("ladder.unknown");
    if (ladder.standard) return fail("ladder.standard");
    deleteLadder(ctx.db, ladder.id);
    ctx.act("settings", { kind: "book", id: 0 }, `ladder ${ladder.name} taken away`);
    return ok(null);
  },
});

/** How a customer (and its group) is followed up: ladder, language, by itself or not, smallest sum, quiet until a day. */
export const setFollowUp = defineCommand({
  name: "setFollowUp",
  schema: z.object({
    customerId: z.number().int(),
    ladderId: z.number().int().nullable(),
    language: z.enum(LANGUAGES),
    byItself: z.boolean(),
    smallest: z.number().int().min(0).transform(minor).nullable(),
    quietUntil: isoDay.nullable(),
  }),
  run(ctx, input): Result<null> {
    const customer = customerById(ctx.db, input.customerId);
    if (!customer) return fail("customer.unknown", { id: input.customerId });
    const ladder = ladders(ctx.db).find(({ id }) => id === input.ladderId);
    if (input.ladderId !== null && !ladder) return fail("ladder.unknown");
    setFollowed(ctx.db, input);
    ctx.act(
      "settings",
      { kind: "customer", id: customer.id, customerId: customer.id },
      `followed up ${ladder ? `by the ladder ${ladder.name}` : "as the book does"}${input.quietUntil === null ? "" : `, no reminders until ${input.quietUntil}`}${input.byItself ? ", letters may go by themselves" : ""}`,
    );
    return ok(null);
  },
});

/** Leaves an invoice out of letters, with a reason; without one, takes it in again. */
export const leaveItemOut = defineCommand({
  name: "leaveItemOut",
  schema: z.object({ itemId: z.number().int(), reason: z.string().trim().max(200).nullable() }),
  run(ctx, input): Result<null> {
    const item = openItemById(ctx.db, input.itemId);
    if (!item) return fail("item.unknown");
    setItemLeftOut(ctx.db, item.id, input.reason || null);
    ctx.act(
      "leave_out",
      { kind: "customer", id: item.customerId, customerId: item.customerId },
      input.reason
        ? `${item.number} left out of letters: ${input.reason}`
        : `${item.number} in letters again`,
    );
    return ok(null);
  },
});
