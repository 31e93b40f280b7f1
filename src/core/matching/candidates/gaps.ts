import { sumOf } from "@/core/money";

import { listOf } from "../lists";
import type { MatchItem } from "../types";
import { whole } from "./candidate";
import { chanceOf, chanceOfOne, isRound } from "./chance";
import type { CustomerScope } from "./customerScope";
import type { Part } from "./sums";

/** A list made to come out, and how many such there would be by chance. */
export type Gap = { readonly lines: readonly Part[]; readonly chance: number };

/** Items that are tried for what is not named. */
const MOST_REST = 60;

/**
 * Lists that come out once a credit note of the group is taken off that the
 * words speak of, and up to two items are put in that they do not name.
 */
export function withNotesAndGaps(scope: CustomerScope, items: readonly MatchItem[]): Gap[] {
  const full = sumOf(items, ({ balance }) => balance);
  const named = items.some(({ balance }) => balance < 0);
  const sets = named || !scope.told.credit ? [[]] : scope.notesBeside(items);
  const rest = scope.items
    .filter((item) => item.balance > 0 && !items.includes(item) && item.touched !== true)
    .slice(0, MOST_REST);
  return sets.flatMap((set) => {
    const left = scope.receipt.amount - full - sumOf(set, ({ balance }) => balance);
    return (left < 0 ? [] : missingOf(rest, left)).map((missing) => ({
      lines: [...items, ...missing, ...set].map((item) => whole(item)),
      chance: sets.length * chanceOfGap(rest, left, { size: missing.length, unit: scope.unit }),
    }));
  });
}

function chanceOfGap(
  rest: readonly MatchItem[],
  left: number,
  { size, unit }: { readonly size: number; readonly unit: number },
): number {
  if (size === 0) return 0;
  const one = chanceOfOne(rest) * (isRound(left, unit) ? ROUND : 1);
  return size === 1 ? one : one + chanceOf(rest, left, { size, unit });
}

/** How much more often a round sum is owed than another (a guess that held on every maker’s books). */
const ROUND = 20;

/** Up to two items that make what is left; equal ones are one way, the oldest first. */
function missingOf(rest: readonly MatchItem[], left: number): MatchItem[][] {
  if (left === 0) return [[]];
  const [one, ...same] = rest.filter(({ balance }) => balance === left);
  const sister = same.find(({ customerId }) => customerId !== one?.customerId);
  const single = [one, sister].flatMap((item) => (item ? [[item]] : []));
  return [...single, ...pairsOf(rest, left)];
}

/** Two items that make a sum; equal ones are one way, the oldest first. */
export function pairsOf(items: readonly MatchItem[], sum: number): MatchItem[][] {
  const byBalance = new Map<number, MatchItem[]>();
  for (const item of items) listOf(byBalance, item.balance).push(item);
  return [...byBalance].flatMap(([balance, [first, second]]) => {
    const other = sum - balance;
    if (other < balance || !first) return [];
    const match = other === balance ? second : byBalance.get(other)?.[0];
    return match ? [[first, match]] : [];
  });
}
