import { type ReferencedItems } from "@/core/matching/memo/scope";
import { minor, type Minor, parseAmount, sumOf } from "@/core/money";

import { type MatchItem } from "../types";
import { whole } from "./candidate";
import { type CustomerScope } from "./customerScope";
import { exactWays, type Part } from "./sums";

/** Sums that stand beside the numbers, if with them the list comes out; each at most what is open. */
export function statedParts(scope: CustomerScope, items: readonly MatchItem[]): Part[] | null {
  if (scope.named.stated.size === 0 || scope.named.open.length > 0) return null;
  const parts = items.map((item) => {
    const written = scope.named.stated.get(item.id);
    const parsed =
      written === undefined ? null : parseAmount(written.replaceAll(",", ""), ".", item.currency);
    return whole(item, parsed?.ok ? parsed.value : item.balance);
  });
  const fits = parts.every(({ item, amount }) =>
    item.balance > 0 ? amount > 0 && amount <= item.balance : amount === item.balance,
  );
  return fits && sumOf(parts, ({ amount }) => amount) === scope.receipt.amount ? parts : null;
}

/** An overpayment that could have paid something else that is open is no mere overpayment. */
export function overTooMuch(
  scope: CustomerScope,
  items: readonly MatchItem[],
  off: Minor,
  full: Minor,
): 0 | 1 {
  return scope.items.some(
    (item) =>
      item.balance > 0 &&
      !items.includes(item) &&
      (item.balance === off || (off * 20 > full && item.balance <= off)),
  )
    ? 1
    : 0;
}

/** A sum beside a number that says something else than the reading does. */
export function toldOtherwise(named: ReferencedItems, parts: readonly Part[]): 0 | 1 {
  return parts.some(({ item, amount }) => {
    const stated = named.stated.get(item.id);
    return (
      stated !== undefined &&
      Number(stated.replace(/\D/g, "")) !== amount &&
      Number(stated.replace(/\D/g, "")) !== item.total
    );
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
  const notes = scope.items.filter((item) => item.balance < 0 && !items.includes(item));
  for (const note of [...notes.map((note) => [note]), ...(notes.length > 1 ? [notes] : [])]) {
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
  const rest = scope.items.filter((item) => item.balance > 0 && !items.includes(item));
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
