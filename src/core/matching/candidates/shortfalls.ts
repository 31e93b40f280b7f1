import { minor, sumOf } from "@/core/money";

import type { MatchItem } from "../types";
import { whole } from "./candidate";
import type { CustomerScope } from "./customerScope";
import { type Part, partsOf } from "./sums";

/**
 * What banks keep of a transfer on its way, in minor units, and of what it is a multiple (common
 * practice, no source): 15 to 35 dollars, some thousand yen.
 */
const FEE = { least: 1500, most: 3500, step: 50 };

/** Items whose discount may have been taken, tried one by one. */
const MOST_CHOICES = 6;

export type Shortfall = {
  readonly lines: readonly Part[];
  readonly by: number;
  /** Whether it is such a sum as banks keep, or the one that is named. */
  readonly usual: boolean;
};

/**
 * Ways in which all of these items were paid, less discounts in time, but for
 * what a bank keeps: the largest stays open by it. A fee that the words name,
 * else one of the usual size.
 */
export function lessFee(scope: CustomerScope, items: readonly MatchItem[]): Shortfall[] {
  const { receipt, told } = scope;
  // What the words take off is no bank's fee, and no discount.
  const claimed = told.less && !told.fee && !told.discount;
  if (claimed && items.length > 1) return [];
  const found = paidInFull(scope, items, claimed ? 0 : MOST_CHOICES).flatMap((parts) => {
    const by = sumOf(parts, ({ amount }) => amount) - receipt.amount;
    const named = told.sums.includes(minor(by));
    const isFee = by >= FEE.least && by <= FEE.most;
    const lines = by > 0 && (named || isFee) ? openBy(parts, by) : null;
    return lines ? [{ lines, by, usual: named || by % FEE.step === 0 }] : [];
  });
  // Fees are round: of several ways the one that leaves such a rest.
  const usual = found.filter((shortfall) => shortfall.usual);
  return usual.length > 0 ? usual : found;
}

/** The items at their balances, with discounts in time on any of the first few that offer one. */
function paidInFull(
  { receipt, around }: CustomerScope,
  items: readonly MatchItem[],
  most: number,
): Part[][] {
  const options = items.map((item) =>
    partsOf(item, receipt.paidOn, around.graceDays).filter((part) => part.inTime),
  );
  const free = options.flatMap((parts, at) => (parts.length > 1 ? [at] : [])).slice(0, most);
  return Array.from({ length: 1 << free.length }, (_, mask) =>
    options.map((parts, at) => {
      const place = free.indexOf(at);
      return (place >= 0 && mask & (1 << place) ? parts[1] : parts[0]) as Part;
    }),
  );
}

/** The largest item stays open by the rest. */
function openBy(parts: readonly Part[], by: number): Part[] | null {
  const largest = parts.reduce(
    (best, part) => (part.amount > best.amount ? part : best),
    parts[0] as Part,
  );
  if (largest.amount <= by) return null;
  return parts.map((part) =>
    part === largest ? { ...part, amount: minor(part.amount - by) } : part,
  );
}

/** All of these items, short by a sum that the words name (a claim, a return). */
export function lessClaim(scope: CustomerScope, items: readonly MatchItem[]): Shortfall[] {
  const { receipt, told } = scope;
  const by = sumOf(items, ({ balance }) => balance) - receipt.amount;
  if (by <= 0 || !told.sums.includes(minor(by))) return [];
  const lines = openBy(
    items.map((item) => whole(item)),
    by,
  );
  return lines ? [{ lines, by, usual: true }] : [];
}
