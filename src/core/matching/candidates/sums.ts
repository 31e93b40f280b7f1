import { type Day, discountOn, parseTerms } from "@/core/calendar";
import { add, minor, type Minor, percentOf, ratioOf, sumOf } from "@/core/money";

import type { MatchItem } from "../types";

/** What an item takes from a receipt when it is paid in full: all of it, or all less a discount. */
export type Part = {
  readonly item: MatchItem;
  readonly amount: Minor;
  readonly discount: Minor;
  readonly inTime: boolean;
};

/** The item at its balance, and, where its terms give a discount on the whole of it, less the discount. */
export function partsOf(item: MatchItem, paidOn: Day, graceDays: number): Part[] {
  const whole: Part = { item, amount: item.balance, discount: minor(0), inTime: true };
  const terms = item.terms === null ? null : parseTerms(item.terms);
  if (!terms?.ok || item.balance !== item.total || item.balance <= 0) return [whole];
  const offered = discountOn(item.issuedOn, terms.value, paidOn, graceDays);
  if (!offered) return [whole];
  const percent = ratioOf(offered.percent);
  if (!percent.ok) return [whole];
  const discount = percentOf(item.total, percent.value, "half-even");
  return [
    whole,
    {
      item,
      amount: add(item.balance, -discount),
      discount,
      inTime: offered.inTime,
    },
  ];
}

/** Items whose discount may have been taken or not, tried one by one; beyond it only all or none. */
const MOST_CHOICES = 8;

/**
 * The ways in which paying all of these items comes to the amount: at their
 * balances, else with discounts on all or some of them, those in time first.
 */
export function exactWays(
  items: readonly MatchItem[],
  amount: Minor,
  paidOn: Day,
  graceDays: number,
): Part[][] {
  const full = sumOf(items, (item) => item.balance);
  if (items.length === 0) return [];
  if (full === amount) return [items.map((item) => partsOf(item, paidOn, graceDays)[0] as Part)];
  if (full < amount) return [];
  const options = items.map((item) => partsOf(item, paidOn, graceDays));
  const free = options.flatMap((parts, at) => (parts.length > 1 ? [at] : []));
  if (free.length === 0) return [];
  const take = (chosen: ReadonlySet<number>): Part[] =>
    options.map((parts, at) => (chosen.has(at) ? parts[1] : parts[0]) as Part);
  const inTime = free.filter((at) => options[at]?.[1]?.inTime);
  for (const group of [inTime, free]) {
    const parts = take(new Set(group));
    if (group.length > 0 && sumOf(parts, (part) => part.amount) === amount) return [parts];
  }
  if (free.length > MOST_CHOICES) return [];
  for (let mask = 1; mask < 1 << free.length; mask += 1) {
    const parts = take(new Set(free.filter((_, at) => mask & (1 << at))));
    if (sumOf(parts, (part) => part.amount) === amount) return [parts];
  }
  return [];
}

/** A bound on items and answers: beyond it sums fit by chance anyway. */
const MOST_ITEMS = 18;
const MOST_ANSWERS = 12;
const MOST_TOGETHER = 4;

/**
 * Subsets of at least two items that sum to the amount, at their balances;
 * items oldest first, so among equal ones the older is found first. At most
 * 4 items in one answer, and at most 12 answers.
 */
export function subsetsOf<Item extends { readonly balance: Minor }>(
  items: readonly Item[],
  amount: Minor,
): Item[][] {
  const pool = items.slice(0, MOST_ITEMS);
  const largest = pool.reduce((most, { balance }) => Math.max(most, balance), 0);
  const answers: Item[][] = [];
  const search = (from: number, left: number, chosen: Item[]): void => {
    if (left === 0 && chosen.length >= 2) answers.push([...chosen]);
    const more = MOST_TOGETHER - chosen.length;
    if (answers.length >= MOST_ANSWERS || left <= 0 || left > more * largest) return;
    const tried = new Set<number>();
    for (let at = from; at < pool.length && answers.length < MOST_ANSWERS; at += 1) {
      const item = pool[at];
      // The last one must be just what is left.
      if (!item || (more === 1 && item.balance !== left) || tried.has(item.balance)) continue;
      tried.add(item.balance);
      chosen.push(item);
      search(at + 1, left - item.balance, chosen);
      chosen.pop();
    }
  };
  search(0, amount, []);
  return answers;
}

/** Fills items oldest first until the money is used; the last one may be paid in part. */
export function fill(
  items: readonly MatchItem[],
  amount: Minor,
): { item: MatchItem; amount: Minor }[] {
  const credits = items.filter((item) => item.balance < 0);
  let left = add(amount, -sumOf(credits, (item) => item.balance));
  const lines: { item: MatchItem; amount: Minor }[] = credits.map((item) => ({
    item,
    amount: item.balance,
  }));
  for (const item of items.filter(({ balance }) => balance > 0)) {
    if (left <= 0) break;
    const given = minor(Math.min(left, item.balance));
    lines.push({ item, amount: given });
    left = add(left, -given);
  }
  return lines;
}
