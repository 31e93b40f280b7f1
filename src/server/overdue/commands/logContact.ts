import { z } from "zod";

import { isoDay } from "@/contracts/values";
import { minor, sumOf } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { insertContact, insertPromiseParts } from "@/db/contacts";
import { customerById } from "@/db/customers";
import { proposalsOf } from "@/server/match/proposals";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";

import { overdueRows } from "../queries/overdue";

/**
 * Notes a call, a note, or a promise to pay with its day and, if known, its sum. A call or task
 * that the ladder asked for is its rung.
 */
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
      /** A task or a stop of supply that the ladder asked for is done. */
      done: z.boolean().default(false),
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
  ctx: CommandContext,
  customerId: number,
  input: { kind: "call" | "note" | "promise"; done: boolean },
): number | null {
  const row = overdueRows(ctx.db, ctx.today, proposalsOf(ctx.db), customerId).find(
    (overdue) => overdue.customer.id === customerId,
  );
  if (!row || row.next.on > ctx.today) return null;
  const { act, step } = row.next.step;
  return (act === "call" && input.kind !== "note") ||
    ((act === "task" || act === "stop") && input.done)
    ? step
    : null;
}
