import { add, minor, type Minor, sumOf } from "@/core/money";

import type { MatchItem, Reason } from "../types";
import { lateOrAllowed, whole } from "./candidate";
import { addGaps, addMended, addShortfall } from "./byUnsaid";
import { choices } from "./choices";
import type { CustomerScope } from "./customerScope";
import { type Doubt, doubtIf } from "./doubts";
import { overTooMuch, statedParts, toldOtherwise, ways } from "./lists";
import { saidItems, saidNumbers } from "./said";
import { fill, type Part, subsetsOf } from "./sums";

/**
 * Readings by the numbers that a memo names. Lists with a choice are settled by the sum; what cannot
 * be settled is read as far as it is sure.
 */
export function readByNumbers(scope: CustomerScope): void {
  if (addExact(scope) || addStated(scope) || addShortfall(scope)) return;
  const { named, receipt } = scope;
  const { items } = named;
  const gaps = addGaps(scope);
  if (!items.some(({ balance }) => balance > 0)) return;
  const mendings = gaps > 0 ? gaps : addMended(scope, items);
  const full = sumOf(items, (item) => item.balance);
  const off = add(receipt.amount, -full);
  const found: Rest = { items, full, off, mendings };
  if (off > 0 && off === scope.around.surcharge(receipt.method, full)) addSurcharged(scope, found);
  else if (off > 0) addOver(scope, found);
  else addShort(scope, found);
}

/** What is known of a list of numbers whose items do not make the sum. */
type Rest = {
  readonly items: readonly MatchItem[];
  readonly full: Minor;
  /** What came beyond the items; below zero where it is less. */
  readonly off: Minor;
  /** Ways in which one number of the list would be wrong. */
  readonly mendings: number;
};

/** Lists that make the sum; where none does, with the numbers in that the words seem to leave out. */
function addExact(scope: CustomerScope): boolean {
  const { named } = scope;
  const exact = choices(named).flatMap((items) => ways(scope, items));
  const withOut =
    exact.length === 0 && named.out.length > 0 ? ways(scope, [...named.items, ...named.out]) : [];
  if (exact.length === 0 && withOut.length === 0) return addOfOrder(scope);
  for (const parts of [...exact, ...withOut].slice(0, 4))
    for (const paid of lateOrAllowed(parts))
      scope.add({
        ...paid,
        numbers: named.how,
        reasons: [saidNumbers(scope, parts), ...paid.reasons, ...leftOut(scope)],
        doubts: [...doubtIf(exact.length > 1, "ways"), ...doubtIf(withOut.length, "out")],
      });
  return true;
}

/** An order that came in several invoices, some of which make the sum. */
function addOfOrder(scope: CustomerScope): boolean {
  const { named, receipt } = scope;
  if (named.how !== "order" || named.open.length > 0) return false;
  const single = named.items.filter((item) => item.balance === receipt.amount).slice(0, 1);
  const sets = single.length > 0 ? [single] : subsetsOf(named.items, receipt.amount);
  for (const set of sets.slice(0, 2))
    scope.add({
      lines: set.map((item) => whole(item)),
      sum: "exact",
      numbers: "order",
      reasons: [saidItems(scope, set), { code: "sum_of_quoted", count: set.length }],
      doubts: doubtIf(sets.length > 1, "ways"),
    });
  return sets.length > 0;
}

function addStated(scope: CustomerScope): boolean {
  const found = choices(scope.named).flatMap((items) => {
    const parts = statedParts(scope, items);
    return parts ? [parts] : [];
  });
  for (const parts of found.slice(0, 2))
    scope.add({
      lines: parts,
      sum: "told",
      numbers: scope.named.how,
      reasons: [saidNumbers(scope, parts), { code: "sums_beside", count: scope.named.stated.size }],
      doubts: doubtIf(found.length > 1, "ways"),
    });
  return found.length > 0;
}

function addSurcharged(scope: CustomerScope, { items, off }: Rest): void {
  scope.add({
    lines: items.map((item) => whole(item)),
    sum: "surcharge",
    numbers: scope.named.how,
    reasons: [saidItems(scope, items), scope.onTop(off)],
    doubts: unnamed(scope),
  });
}

function addOver(scope: CustomerScope, { items, off, full, mendings }: Rest): void {
  const { named } = scope;
  const lines = items.map((item) => whole(item));
  scope.add({
    lines,
    sum: "over",
    numbers: named.how,
    reasons: [saidItems(scope, items), { code: "against_over", by: off }],
    doubts: [
      ...unsettled(scope, lines),
      ...doubtIf(overTooMuch(scope, items, off, full), "much"),
      ...doubtIf(named.how === "damaged" && off * 20 > full, "nearly"),
      ...doubtIf(mendings > 1, "ways"),
      ...doubtIf(mendings <= 1 && named.sums > named.stated.size, "stated"),
    ],
  });
}

function addShort(scope: CustomerScope, { items, off }: Rest): void {
  const lines = fill(items, scope.receipt.amount).map(({ item, amount }) => whole(item, amount));
  const [only] = items;
  const onAccount = off < 0 && scope.around.credit(scope.customerId) === -off;
  scope.add({
    lines,
    sum: items.length === 1 && only && only.balance > 0 ? "part" : "short",
    numbers: scope.named.how,
    reasons: [
      saidItems(scope, items),
      ...(onAccount ? [{ code: "on_account", sum: minor(-off) } as const] : []),
      { code: "against_short", by: minor(-off) },
    ],
    // A number that is nearly one's own is hardly meant where the sum does not say so too.
    doubts: [
      ...unsettled(scope, lines),
      ...doubtIf(scope.named.how === "damaged" && !scope.told.inParts, "nearly"),
    ],
  });
}

/** Numbers that may be one of several items or are left out, and sums beside numbers that say otherwise. */
function unsettled(scope: CustomerScope, lines: readonly Part[]): Doubt[] {
  return [...unnamed(scope), ...doubtIf(toldOtherwise(scope.named, lines), "stated")];
}

const unnamed = ({ named: { open, out } }: CustomerScope): Doubt[] => [
  ...doubtIf(open.length, "open"),
  ...doubtIf(out.length, "out"),
];

function leftOut(scope: CustomerScope): Reason[] {
  const { out } = scope.named;
  if (out.length === 0) return [];
  return [
    { code: "left_out", numbers: out.map(({ number }) => number), spots: scope.spotsOf(out) },
  ];
}
