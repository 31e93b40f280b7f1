import { z } from "zod";

import { fail, ok, type Result } from "@/core/result";
import { insertEdit } from "@/db/customerCards";
import { customerById, type CustomerRow, deleteAlias, insertAlias } from "@/db/customers";
import { endMerge, insertMerge, mergeOfAct, moveBack, moveRows } from "@/db/merges";
import { personsOf, setPersons } from "@/db/persons";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";
import type { Reversal } from "@/server/runtime/reversal";

import { restoreCustomer } from "../steps/restoreCustomer";

const MOST_PERSONS = 20;

/**
 * Makes two customers one: all that names the one that goes, names the one that stays from now on.
 * The journal keeps its words, the old number and link lead to the one that stays, and its name
 * becomes another name of it.
 */
export const mergeCustomers = defineCommand({
  name: "mergeCustomers",
  schema: z.object({ keep: z.number().int(), gone: z.number().int() }),
  run(ctx, { keep, gone }): Result<{ actId: number }> {
    const [kept, going] = [customerById(ctx.db, keep), customerById(ctx.db, gone)];
    if (!kept || kept.mergedInto !== null) return fail("customer.unknown", { id: keep });
    if (!going || going.mergedInto !== null) return fail("customer.unknown", { id: gone });
    if (keep === gone) return fail("customer.merge_same");
    if (kept.parentId === gone) return fail("customer.merge_group", { name: going.name });
    const actId = ctx.act(
      "merge",
      { kind: "customer", id: keep, customerId: keep },
      `${going.name} (${going.externalId}) made one with ${kept.name} (${kept.externalId})`,
    );
    const id = insertMerge(ctx.db, keep, gone, actId);
    moveRows(ctx.db, { id, gone, kept: keep });
    insertAlias(ctx.db, keep, going.name);
    takePersons(ctx, { actId, kept, going });
    return ok({ actId });
  },
});

/** The persons and the address of the one that goes are persons of the one that stays; they get no letters unasked. */
function takePersons(
  { db }: CommandContext,
  { actId, kept, going }: { actId: number; kept: CustomerRow; going: CustomerRow },
): void {
  const { name, email, phone, parentId } = kept;
  const persons = personsOf(db, kept.id);
  insertEdit(db, actId, kept.id, { customer: { name, email, phone, parentId }, persons });
  const known = new Set([email, ...persons.map((person) => person.email)]);
  const own = { name: going.name, duty: "", email: going.email ?? "", phone: going.phone ?? "" };
  const added = [...personsOf(db, going.id), { ...own, letters: "none" as const, calls: false }]
    .filter((person) => (person.email !== "" || person.phone !== "") && !known.has(person.email))
    .map((person) => ({ ...person, letters: "none" as const, calls: false }));
  if (added.length > 0) setPersons(db, kept.id, [...persons, ...added].slice(0, MOST_PERSONS));
}

/** Makes two of one again: what came since stays with the one that was kept. */
export const unmergeCustomers: Reversal = (ctx, act, by) => {
  const merge = mergeOfAct(ctx.db, act.id);
  if (!merge) return fail("act.unknown");
  const [kept, gone] = [customerById(ctx.db, merge.kept), customerById(ctx.db, merge.gone)];
  if (!kept || !gone) return fail("customer.unknown", { id: merge.gone });
  if (kept.mergedInto !== null) return fail("customer.later");
  const restored = restoreCustomer(ctx, act.id);
  if (!restored.ok) return restored;
  moveBack(ctx.db, merge);
  deleteAlias(ctx.db, kept.id, gone.name);
  endMerge(ctx.db, merge, by);
  return ok(null);
};
