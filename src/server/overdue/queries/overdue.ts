import type { OverdueState } from "@/contracts/overdue";
import { type Day } from "@/core/calendar";
import { daysAhead } from "@/core/followup";
import { groupHead } from "@/core/parties";
import type { Db } from "@/db/connection";
import { allCustomers, familyOf } from "@/db/customers";
import { followSums, together } from "@/db/followSums";

import { factsByGroup, type GroupFacts, type MaybeFrom } from "./groupFacts";
import { type Group, ladderOf, type OverdueRow, rowOf } from "./overdueRow";

/**
 * Every customer with something overdue, each exactly once: ready, waiting with
 * the reason, later, or left out. Largest first. With `only`, that customer's
 * group alone is read.
 */
export function overdueRows(
  db: Db,
  today: Day,
  proposals: readonly MaybeFrom[],
  only: number | null = null,
): OverdueRow[] {
  const customers = new Map(
    (only === null ? allCustomers(db) : familyOf(db, only)).map((customer) => [
      customer.id,
      customer,
    ]),
  );
  const headOf = (id: number): number => {
    const customer = customers.get(id);
    return customer === undefined || customer.parentId === null
      ? id
      : groupHead(customer, customers);
  };
  const facts = factsByGroup(db, proposals, headOf, today);
  const groups = openByGroup(db, {
    today,
    facts,
    headOf,
    only: only === null ? null : [...customers.keys()],
  });
  const rows: OverdueRow[] = [];
  for (const [id, group] of groups) {
    const customer = customers.get(id);
    const row = customer ? rowOf(db, { customer, group, today, facts }) : null;
    if (row) rows.push(row);
  }
  return sortedRows(rows);
}

type GroupsAsked = {
  today: Day;
  facts: GroupFacts;
  headOf: (id: number) => number;
  only: readonly number[] | null;
};

/** What each group has open; ladders that begin before the due day look further ahead than others. */
function openByGroup(db: Db, { today, facts, headOf, only }: GroupsAsked): Map<number, Group> {
  const groups = new Map<number, Group>();
  const aheads = [...new Set(facts.ladders.map(({ steps }) => daysAhead(steps)))];
  for (const ahead of aheads.length === 0 ? [0] : aheads) {
    for (const [id, own] of followSums(db, today, ahead, only)) {
      const head = headOf(id);
      if (aheads.length > 1 && daysAhead(ladderOf(facts, head).steps) !== ahead) continue;
      const known = groups.get(head);
      const both = known ? together(known, own) : own;
      groups.set(head, {
        sums: both.sums,
        aging: both.aging,
        notes: both.notes,
        members: known ? [...known.members, id] : [id],
      });
    }
  }
  return groups;
}

function sortedRows(rows: OverdueRow[]): OverdueRow[] {
  const ranked = rows.map((row) => ({
    row,
    rank: rank(row),
    overdue: row.overdue,
    id: row.customer.id,
  }));
  ranked.sort((a, b) => a.rank - b.rank || b.overdue - a.overdue || a.id - b.id);
  return ranked.map(({ row }) => row);
}

const RANKS: Record<OverdueState, number> = { ready: 0, waits: 2, later: 4, left_out: 6 };
const rank = (row: OverdueRow): number =>
  RANKS[row.state] - (row.lastWord?.kind === "promise" && row.lastWord.state === "broken" ? 1 : 0);
