import { type ReferencedItems } from "@/core/matching/memo/scope";
import { minor, type Minor, sumOf } from "@/core/money";

import { sumIn } from "../memo/told";
import { type MatchItem } from "../types";
import { whole } from "./candidate";
import { isRound } from "./chance";
import { type CustomerScope } from "./customerScope";
import { exactWays, type Part, partsOf } from "./sums";

/** Sums that stand beside the numbers, if with them the list comes out; each at most what is open. */
export function statedParts(scope: CustomerScope, items: readonly MatchItem[]): Part[] | null {
  const inOrder = sumsInOrder(scope, items);
  if (scope.named.stated.size === 0 && inOrder === null) return null;
  const parts = items.map((item) => {
    const written = scope.named.stated.get(item.id) ?? "";
    const said = inOrder?.get(item.id) ?? sumIn(written, item.currency) ?? item.balance;
    const [, less] = partsOf(item, scope.receipt.paidOn, scope.around.graceDays);
    return less?.inTime && less.amount === said ? less : whole(item, said);
  });
  const fits = parts.every(({ item, amount }) =>
    item.balance > 0 ? amount > 0 && amount <= item.balance : amount === item.balance,
  );
  return fits && sumOf(parts, ({ amount }) => amount) === scope.receipt.amount ? parts : null;
}

/** As many sums as numbers stand in the words: each belongs to the number before it. */
function sumsInOrder(
  scope: CustomerScope,
  items: readonly MatchItem[],
): ReadonlyMap<number, Minor> | null {
  const { named, told } = scope;
  if (told.sums.length !== items.length || named.stated.size === items.length) return null;
  const at = ({ id }: MatchItem): number => named.spots.get(id)?.at ?? 0;
  const inOrder = [...items].sort((a, b) => at(a) - at(b));
  return new Map(inOrder.map(({ id }, index) => [id, told.sums[index] as Minor]));
}

/** An overpayment that could have paid something else that is open is no mere overpayment. */
export function overTooMuch(
  scope: CustomerScope,
  items: readonly MatchItem[],
  off: Minor,
  full: Minor,
): 0 | 1 {
  // What is left of an item that another receipt took a part of is no invoice that was overpaid.
  if (items.some(({ touched }) => touched)) return 1;
  if (off < scope.unit && isRound(scope.receipt.amount, scope.unit)) return 0;
  // Of a list that says less than was paid a number is missing.
  if (items.length > 1 && off * 20 > full) return 1;
  return scope.items.some(
    (item) =>
      item.balance > 0 &&
      item.touched !== true &&
      !items.includes(item) &&
      (item.balance === off || (off * 20 > full && item.balance <= off)),
  )
    ? 1
    : 0;
}

/** A sum beside a number that says something else than the reading does. */
export function toldOtherwise(named: ReferencedItems, parts: readonly Part[]): 0 | 1 {
  return parts.some(({ item, amount }) => {
    const said = sumIn(named.stated.get(item.id) ?? "", item.currency);
    return said !== null && said !== amount && said !== item.total;
  })
    ? 1
    : 0;
}

/**
 * Ways the items come to the sum: whole, less discounts, or with a credit note of the customer
 * taken off.
 */
export function ways(scope: CustomerScope, items: readonly MatchItem[]): Part[][] {
  const found = exactWays(
    items,
    scope.receipt.amount,
    scope.receipt.paidOn,
    scope.around.graceDays,
  );
  if (found.length > 0) return found;
  for (const note of scope.notesBeside(items)) {
    const taken = exactWays(
      items,
      minor(scope.receipt.amount - sumOf(note, (item) => item.balance)),
      scope.receipt.paidOn,
      scope.around.graceDays,
    );
    if (taken.length > 0)
      return taken.map((parts) => [...parts, ...note.map((item) => whole(item))]);
  }
  return [];
}

/** One number of a list left out, missing or wrong, where only one item makes the sum come out. */
export function mended(scope: CustomerScope, items: readonly MatchItem[]): Part[][] {
  const full = sumOf(items, (item) => item.balance);
  const rest = scope.items.filter(
    (item) => item.balance > 0 && item.touched !== true && !items.includes(item),
  );
  const found: MatchItem[][] = [];
  // Equal ones go oldest first.
  const missing = rest.filter((item) => item.balance === scope.receipt.amount - full).slice(0, 1);
  for (const item of missing) found.push([...items, item]);
  for (const left of items.length > 1 ? items : []) {
    const others = items.filter((item) => item !== left);
    const wanted = scope.receipt.amount - full + left.balance;
    if (wanted === 0) found.push(others);
    for (const item of rest.filter(({ balance }) => balance === wanted))
      found.push([...others, item]);
  }
  return found.map((list) => list.map((item) => whole(item)));
}
