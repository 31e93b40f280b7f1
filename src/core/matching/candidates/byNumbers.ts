import { add, minor, type Minor, sumOf } from "@/core/money";

import type { MatchItem, Reason } from "../types";
import { sumKind, sumReasons, whole } from "./candidate";
import { choices } from "./choices";
import type { CustomerScope } from "./customerScope";
import { mended, overTooMuch, statedParts, toldOtherwise, ways } from "./lists";
import { fill, type Part } from "./sums";

/**
 * Readings by the numbers that a memo names. Lists with a choice are settled by the sum; what cannot
 * be settled is read as far as it is sure.
 */
export function readByNumbers(scope: CustomerScope): void {
  if (addExact(scope)) return;
  const { named, receipt } = scope;
  const { items } = named;
  if (!items.some(({ balance }) => balance > 0)) return;
  const stated = addStated(scope, items);
  const mendings = addMended(scope, items);
  const full = sumOf(items, (item) => item.balance);
  const off = add(receipt.amount, -full);
  const found: Rest = { items, full, off, stated, mendings };
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
  readonly stated: boolean;
  /** Ways in which one number of the list would be wrong. */
  readonly mendings: number;
};

/** Lists that make the sum; where none does, with the numbers in that the words seem to leave out. */
function addExact(scope: CustomerScope): boolean {
  const { named } = scope;
  const exact = choices(named).flatMap((items) => ways(scope, items));
  const withOut =
    exact.length === 0 && named.out.length > 0 ? ways(scope, [...named.items, ...named.out]) : [];
  for (const parts of [...exact, ...withOut].slice(0, 4))
    scope.add({
      lines: parts,
      sum: sumKind(parts),
      numbers: named.how,
      reasons: [saidNumbers(scope, parts), ...sumReasons(parts), ...leftOut(scope)],
      doubt: exact.length > 1 ? 1 : withOut.length,
    });
  return exact.length > 0 || withOut.length > 0;
}

function addStated(scope: CustomerScope, items: readonly MatchItem[]): boolean {
  const parts = statedParts(scope, items);
  if (parts)
    scope.add({
      lines: parts,
      sum: "told",
      numbers: scope.named.how,
      reasons: [saidItems(scope, items), { code: "sums_beside", count: scope.named.stated.size }],
      doubt: scope.named.open.length,
    });
  return parts !== null;
}

function addMended(scope: CustomerScope, items: readonly MatchItem[]): number {
  const found = mended(scope, items);
  const [only] = found;
  if (only && found.length === 1)
    scope.add({
      lines: only,
      sum: "mended",
      numbers: scope.named.how,
      reasons: [saidItems(scope, items), { code: "mended", count: only.length }],
      doubt: scope.named.open.length,
    });
  return found.length;
}

function addSurcharged(scope: CustomerScope, { items, off }: Rest): void {
  scope.add({
    lines: items.map((item) => whole(item)),
    sum: "surcharge",
    numbers: scope.named.how,
    reasons: [saidItems(scope, items), scope.onTop(off)],
    doubt: scope.named.open.length + scope.named.out.length,
  });
}

function addOver(scope: CustomerScope, { items, off, full, stated, mendings }: Rest): void {
  const { named } = scope;
  const lines = items.map((item) => whole(item));
  scope.add({
    lines,
    sum: "over",
    numbers: named.how,
    reasons: [saidItems(scope, items), { code: "against_over", by: off }],
    doubt:
      unsettled(scope, stated, lines) +
      overTooMuch(scope, items, off, full) +
      (mendings > 1 || named.sums > named.stated.size ? 1 : 0),
  });
}

function addShort(scope: CustomerScope, { items, off, stated }: Rest): void {
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
    doubt: unsettled(scope, stated, lines),
  });
}

/** Numbers that may be one of several items or are left out, and sums beside numbers that say otherwise. */
function unsettled({ named }: CustomerScope, stated: boolean, lines: readonly Part[]): number {
  return named.open.length + named.out.length + (stated ? 0 : toldOtherwise(named, lines));
}

function leftOut(scope: CustomerScope): Reason[] {
  const { out } = scope.named;
  if (out.length === 0) return [];
  return [
    { code: "left_out", numbers: out.map(({ number }) => number), spots: scope.spotsOf(out) },
  ];
}

const saidItems = (scope: CustomerScope, items: readonly MatchItem[]): Reason =>
  saidNumbers(
    scope,
    items.map((item) => ({ item })),
  );

const HOW_SAID = { whole: "whole", none: "whole", digits: "digits", damaged: "near" } as const;

function saidNumbers(scope: CustomerScope, parts: readonly { item: MatchItem }[]): Reason {
  const { how } = scope.named;
  const items = parts.map(({ item }) => item);
  const spots = scope.spotsOf(items);
  return how === "order"
    ? { code: "po", number: items[0]?.poNumber ?? "", spots }
    : { code: "numbers", numbers: items.map(({ number }) => number), how: HOW_SAID[how], spots };
}
