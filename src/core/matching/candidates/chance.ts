import type { Minor } from "@/core/money";

type Sized = { readonly balance: Minor };

/** Of more items the ways to a sum are not counted: there are always some. */
const MOST_ITEMS = 150;
/** Sets of four are counted among so many different balances. */
const MOST_FOR_FOUR = 40;

/**
 * How many different sets of two to four balances make the amount (or leave out
 * one or two of all), counted to two. Equal items stand for each other, as the
 * oldest goes first.
 */
export function waysTo(items: readonly Sized[], amount: Minor): number {
  if (items.length > MOST_ITEMS) return 2;
  const sums = new Sums(items.map(({ balance }) => balance));
  const ways = sums.pairs(amount) + sums.threes(amount);
  if (ways >= 2 || items.length < 4) return Math.min(2, ways);
  const fours = sums.different <= MOST_FOR_FOUR ? sums.fours(amount) : 0;
  const left = items.reduce((sum, { balance }) => sum + balance, 0) - amount;
  const out = items.length > 5 ? sums.ones(left) : 0;
  const outTwo = items.length > 6 ? sums.pairs(left as Minor) : 0;
  return Math.min(2, ways + fours + out + outTwo);
}

/** Different balances with how often each occurs. */
class Sums {
  private readonly times = new Map<number, number>();
  private readonly values: readonly number[];

  constructor(balances: readonly number[]) {
    for (const balance of balances) this.times.set(balance, (this.times.get(balance) ?? 0) + 1);
    this.values = [...this.times.keys()].sort((a, b) => a - b);
  }

  get different(): number {
    return this.values.length;
  }

  ones(sum: number): number {
    return this.times.has(sum) ? 1 : 0;
  }

  /** Pairs a <= b. */
  pairs(sum: number, from = 0): number {
    let found = 0;
    for (let at = from; at < this.values.length; at += 1) {
      const a = this.values[at] ?? 0;
      const b = sum - a;
      if (b < a) break;
      if (this.has(b, a === b ? 2 : 1)) found += 1;
    }
    return found;
  }

  /** Threes a <= b <= c. */
  threes(sum: number, from = 0): number {
    let found = 0;
    for (let at = from; at < this.values.length && found < 2; at += 1) {
      const a = this.values[at] ?? 0;
      if (3 * a > sum) break;
      found += this.pairsWith(sum - a, at, [a]);
    }
    return found;
  }

  /** Fours a <= b <= c <= d. */
  fours(sum: number): number {
    let found = 0;
    for (let at = 0; at < this.values.length && found < 2; at += 1) {
      const a = this.values[at] ?? 0;
      if (4 * a > sum) break;
      for (let next = at; next < this.values.length && found < 2; next += 1) {
        const b = this.values[next] ?? 0;
        if (a + 3 * b > sum) break;
        if (next === at && !this.has(a, 2)) continue;
        found += this.pairsWith(sum - a - b, next, [a, b]);
      }
    }
    return found;
  }

  private pairsWith(sum: number, from: number, chosen: readonly number[]): number {
    let found = 0;
    for (let at = from; at < this.values.length; at += 1) {
      const b = this.values[at] ?? 0;
      const c = sum - b;
      if (c < b) break;
      const all = [...chosen, b, c];
      if ([b, c].every((value) => this.has(value, all.filter((one) => one === value).length)))
        found += 1;
    }
    return found;
  }

  private has(value: number, times: number): boolean {
    return (this.times.get(value) ?? 0) >= times;
  }
}

/**
 * How many sets of up to so many of these items one would expect to make a sum
 * like this by mere chance: as many as there are sets, spread over the sums
 * that they can have. Round sums are made by round items alone, which lie
 * further apart. `unit`: how many minor units make a whole one.
 */
export function chanceOf(
  items: readonly Sized[],
  amount: number,
  { size, unit }: { readonly size: number; readonly unit: number },
): number {
  const steps = isRound(amount, unit) ? [1, unit] : [1];
  return steps.reduce((sum, step) => {
    const alike = items.filter(({ balance }) => balance > 0 && balance % step === 0);
    return sum + expected(alike, size, step);
  }, 0);
}

/** Whether a sum is one of whole units; where there are no smaller ones that says nothing. */
export const isRound = (amount: number, unit: number): boolean => unit > 1 && amount % unit === 0;

/** How many single items would have a sum like this by mere chance. */
export const chanceOfOne = (items: readonly Sized[]): number => items.length * density(items, 1);

function expected(items: readonly Sized[], size: number, step: number): number {
  let [sets, found] = [items.length, 0];
  for (let count = 2; count <= Math.min(size, items.length); count += 1) {
    sets = (sets * (items.length - count + 1)) / count;
    found += sets * step * density(items, count);
  }
  return found;
}

/** How many sums of so many items fall on one minor unit, were they spread evenly up to half as much again. */
function density(items: readonly Sized[], count: number): number {
  const all = items.reduce((sum, { balance }) => sum + balance, 0);
  return all <= 0 ? 0 : items.length / (1.5 * count * all);
}
