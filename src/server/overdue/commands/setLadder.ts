import { z } from "zod";

import { ATTACHED, FEE_KINDS, LADDER_ACTS } from "@/core/followup";
import { minor } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { insertLadder, ladders, renameLadder, setFeeRule, setSteps } from "@/db/ladders";
import { defineCommand } from "@/server/runtime/command";

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
      .map((step, at) => ({ ...step, step: at + 1 }));
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
