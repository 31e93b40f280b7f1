import { z } from "zod";

import { billedInput, planInput } from "@/contracts/schedules";
import { isoDay } from "@/contracts/values";
import type { Day } from "@/core/calendar";
import { type Plan, periodOf } from "@/core/invoices";
import { fail, ok, type Result } from "@/core/result";
import {
  changeSchedule,
  insertSchedule,
  type ScheduleRow,
  scheduleById,
  setContent,
} from "@/db/schedules";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";

import { planWords } from "../steps/planWords";
import { workOut } from "../steps/workOut";

const schema = z.object({
  id: z.number().int().nullable().default(null),
  /** Which state of it was seen by who writes over it. */
  version: z.number().int().default(0),
  name: z.string().trim().min(1, "Say what it is for.").max(120),
  plan: planInput,
  billed: billedInput,
  /** From when a changed schedule bills what is written here; null: from its next period. */
  from: isoDay.nullish().transform((value) => value ?? null),
});
type Input = z.output<typeof schema>;

/**
 * Begins a schedule, or changes one. What it has billed stays as it was: other lines and prices hold
 * from a day on, and periods that are billed are not billed again.
 */
export const setSchedule = defineCommand({
  name: "setSchedule",
  schema,
  run(ctx, input): Result<{ id: number }> {
    const known = input.id === null ? ok(null) : changeable(ctx, input.id, input.version);
    if (!known.ok) return known;
    const before = known.value;
    const plan = planOf(input, before);
    if (!plan.ok) return plan;
    const nextNo = before?.nextNo ?? 0;
    const next = periodOf(plan.value, nextNo);
    if (next === null) return fail("schedule.nothing");
    // A document is worked out for its first day, so that nothing is kept that cannot be billed.
    const worked = workOut(ctx, {
      ...input.billed,
      issuedOn: next.from,
      dueOn: null,
      dueReason: null,
    });
    if (!worked.ok) return worked;
    const id = keep(ctx, input, { before, plan: plan.value, nextNo, nextOn: next.writtenOn });
    setContent(ctx.db, id, {
      fromDay: before === null ? plan.value.startsOn : (input.from ?? next.from),
      draft: JSON.stringify(input.billed),
      total: worked.value.content.total,
    });
    const { total, currency } = worked.value.content;
    const from = input.from === null ? "" : ` from ${input.from}`;
    ctx.act(
      "schedule",
      { kind: "schedule", id, customerId: input.billed.customerId },
      `${before ? "changed" : "begun"}: ${input.name}, ${planWords(plan.value)}, ${ctx.sum(total, currency)}${from}`,
    );
    return ok({ id });
  },
});

/** A schedule that may still be changed, as it was seen. */
function changeable({ db }: CommandContext, id: number, version: number): Result<ScheduleRow> {
  const schedule = scheduleById(db, id);
  if (!schedule) return fail("schedule.unknown");
  if (schedule.state === "ended") return fail("schedule.ended");
  return schedule.version === version ? ok(schedule) : fail("document.elsewhere");
}

/** The plan that is asked for; where periods are counted from does not move once something was billed. */
function planOf({ plan }: Input, before: ScheduleRow | null): Result<Plan> {
  const countedFrom = plan.countedFrom ?? plan.startsOn;
  if (countedFrom > plan.startsOn) return fail("schedule.counted", { field: "counted_from" });
  if (plan.until !== null && plan.until < plan.startsOn)
    return fail("schedule.until", { field: "until" });
  const made: Plan = {
    countedFrom,
    startsOn: plan.startsOn,
    every: { count: plan.everyCount, unit: plan.everyUnit, monthEnd: plan.monthEnd },
    until: plan.until,
    times: plan.times,
    ahead: plan.ahead,
  };
  if (before === null || before.nextNo === 0 || sameDays(before.plan, made)) return ok(made);
  return fail("schedule.days", { field: "starts_on" });
}

const sameDays = (a: Plan, b: Plan): boolean =>
  a.countedFrom === b.countedFrom &&
  a.startsOn === b.startsOn &&
  a.every.count === b.every.count &&
  a.every.unit === b.every.unit &&
  a.every.monthEnd === b.every.monthEnd;

type Kept = { before: ScheduleRow | null; plan: Plan; nextNo: number; nextOn: Day };

function keep(ctx: CommandContext, input: Input, { before, plan, nextNo, nextOn }: Kept): number {
  const row = {
    customerId: input.billed.customerId,
    name: input.name,
    state: before?.state ?? ("running" as const),
    plan,
    prorated: input.plan.prorated,
    makes: input.plan.makes,
    nextNo,
    nextOn,
    writtenBy: ctx.who.actor,
  };
  if (before === null) return insertSchedule(ctx.db, row);
  changeSchedule(ctx.db, before.id, row);
  return before.id;
}
