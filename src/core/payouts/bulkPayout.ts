import { bankingDaysBetween, type Day, earlierFirst } from "../calendar";
import type { Minor } from "../money";

/** A receipt in clearing less its fee (or a refund, below zero): what it brings to a payout. */
export type BulkPayoutItem = { readonly id: number; readonly on: Day; readonly net: Minor };
/** The bank line to be explained, and after how many banking days the processor pays out. */
export type BulkPayout = { readonly sum: Minor; readonly on: Day; readonly delayDays: number };

/**
 * One answer: the items that make the sum. The fewer of a run of days are left out, and the nearer
 * the run is to what is due, the better.
 */
export type BulkPayoutAnswer = {
  readonly ids: readonly number[];
  readonly from: Day;
  readonly to: Day;
  /** Items of those days that are not in it. */
  readonly leftOut: readonly number[];
  readonly rank: number;
};
export type BulkPayoutAnswers = {
  /** The best, at most ten, best first. */
  readonly answers: readonly BulkPayoutAnswer[];
  /**
   * How many sets of all the items make the sum, narrowed by nothing; up to the cap, and null where
   * they are too large to be counted.
   */
  readonly count: number | null;
  readonly cap: number;
  /** Whether there is but one answer even without narrowing: only then may it be posted by itself. */
  readonly only: boolean;
};

const MOST_ANSWERS = 10;
const CAP = 1_000_000;
/** Steps that counting may take: items times the sum in minor units. */
const MOST_STEPS = 400_000_000;
const LONGEST_RUN = 12;
/** Sets of three that are gone into for one run. */
const MOST_SETS = 200;

/**
 * Which of the items in clearing a lump is made of. Among sixty items chance
 * answers go into the billions, so they are looked for where payouts are: all
 * items of a run of days, or all but one, two or three; and ranked by how many
 * are left out, whether the run begins with the oldest, and whether it ends on
 * the day that the processor's delay says.
 */
export function bulkPayoutAnswers(
  items: readonly BulkPayoutItem[],
  lump: BulkPayout,
): BulkPayoutAnswers {
  const sorted = [...items]
    .filter(({ net }) => net !== 0)
    .sort((a, b) => earlierFirst(a.on, b.on) || a.id - b.id);
  const days = [...new Set(sorted.map(({ on }) => on))];
  const found = new Map<string, BulkPayoutAnswer>();
  for (const [first, from] of days.entries()) {
    for (const to of days.slice(first, first + LONGEST_RUN)) {
      const run = sorted.filter(({ on }) => on >= from && on <= to);
      const over = run.reduce((sum, { net }) => sum + net, 0) - lump.sum;
      for (const leftOut of setsOf(run, over)) {
        const ids = run.filter((item) => !leftOut.includes(item)).map(({ id }) => id);
        if (ids.length === 0) continue;
        const ends = Math.abs(bankingDaysBetween(to, lump.on) - lump.delayDays);
        const answer: BulkPayoutAnswer = {
          ids,
          from,
          to,
          leftOut: leftOut.map(({ id }) => id),
          rank: leftOut.length * 4 + ends * 8 + Math.min(first, 4) * 4 + spread(leftOut, from, to),
        };
        const key = ids.join();
        const known = found.get(key);
        if (!known || answer.rank < known.rank) found.set(key, answer);
      }
    }
  }
  const count = countSets(sorted, lump.sum);
  const answers = [...found.values()]
    .sort(
      (a, b) =>
        a.rank - b.rank || a.leftOut.length - b.leftOut.length || earlierFirst(a.from, b.from),
    )
    .slice(0, MOST_ANSWERS);
  return { answers, count, cap: CAP, only: count === 1 && answers.length === 1 };
}

/** What is left out is rather at the ends of a run (taken late, paid with the next) than in its middle. */
function spread(leftOut: readonly BulkPayoutItem[], from: Day, to: Day): number {
  return leftOut.some(({ on }) => on !== from && on !== to) ? 1 : 0;
}

/** Sets of at most three items that make a sum; the empty one makes nothing. */
function setsOf(items: readonly BulkPayoutItem[], sum: number): BulkPayoutItem[][] {
  if (sum === 0) return [[]];
  const sets: BulkPayoutItem[][] = [];
  const byNet = new Map<number, number[]>();
  items.forEach(({ net }, at) => byNet.set(net, [...(byNet.get(net) ?? []), at]));
  const at = (index: number): BulkPayoutItem => items[index] as BulkPayoutItem;
  for (const [a, one] of items.entries()) {
    if (one.net === sum) sets.push([one]);
    for (let b = a + 1; b < items.length; b += 1) {
      const two = one.net + at(b).net;
      if (two === sum) sets.push([one, at(b)]);
      for (const c of byNet.get(sum - two) ?? [])
        if (c > b && sets.length < MOST_SETS) sets.push([one, at(b), at(c)]);
    }
  }
  return sets;
}

/**
 * How many sets of items make a sum, up to the cap: by the sums that can be
 * reached item by item. An item below zero that is taken is one above zero that
 * is not. Null where that would take too long.
 */
function countSets(items: readonly BulkPayoutItem[], sum: number): number | null {
  const target = sum - items.reduce((below, { net }) => below + Math.min(0, net), 0);
  const nets = items.map(({ net }) => Math.abs(net)).filter((net) => net <= target);
  if (target < 0) return 0;
  if (nets.length * target > MOST_STEPS) return null;
  const ways = new Float64Array(target + 1);
  ways[0] = 1;
  let reach = 0;
  for (const net of nets) {
    reach = reach + net < target ? reach + net : target;
    for (let at = reach; at >= net; at -= 1) {
      const before = ways[at - net] as number;
      if (before === 0) continue;
      const both = (ways[at] as number) + before;
      ways[at] = both < CAP ? both : CAP;
    }
  }
  return ways[target] ?? 0;
}
