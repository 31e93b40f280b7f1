import type { Minor } from "@/core/money";

import { nearInTime, speaksOf, type TieLine, type TiePayout } from "./tieOut";

/**
 * Payouts and lines that come to the same sum only together: one payout in several lines, or
 * several payouts in one.
 */
export type TiedTogether = {
  readonly payoutIds: readonly number[];
  readonly bankLineIds: readonly number[];
};

/** More than three together fit by chance too easily. */
const MOST_TOGETHER = 3;
/** Beyond so many near in time they are not looked through. */
const MOST_NEAR = 40;

/** Sets of two or three of a list that make a sum, oldest first; found pair by pair. */
function setsOf<T extends { readonly id: number }>(
  list: readonly T[],
  sum: number,
  amountOf: (entry: T) => number,
): T[][] {
  const found: T[][] = [];
  const byAmount = new Map<number, number[]>();
  list.forEach((entry, at) =>
    byAmount.set(amountOf(entry), [...(byAmount.get(amountOf(entry)) ?? []), at]),
  );
  const search = (from: number, left: number, chosen: readonly T[]): void => {
    if (chosen.length >= 1 && chosen.length < MOST_TOGETHER)
      for (const at of byAmount.get(left) ?? []) {
        const last = list[at];
        if (at >= from && last) found.push([...chosen, last]);
      }
    if (chosen.length >= MOST_TOGETHER - 1) return;
    for (let at = from; at < list.length; at += 1) {
      const entry = list[at];
      if (entry) search(at + 1, left - amountOf(entry), [...chosen, entry]);
    }
  };
  search(0, sum, []);
  return found;
}

/**
 * What could be tied only together, for a person to look at: a payout that no
 * line fits and that two or three near lines make, or a line that no payout fits
 * and that two or three near payouts make. Every way is given, so that two ways
 * are seen to be two.
 * @example payouts of 970.00 and 30.00, one line of 1,000.00 on their day: both in that line
 */
export function tieTogether(
  payouts: readonly TiePayout[],
  lines: readonly TieLine[],
): TiedTogether[] {
  const fits = (payout: TiePayout, line: TieLine): boolean =>
    line.currency === payout.currency && nearInTime(payout, line) && speaksOf(line, payout);
  const sameSign = (a: Minor, b: Minor): boolean => Math.sign(a) === Math.sign(b);
  const ways: TiedTogether[] = [];
  for (const payout of payouts) {
    const near = lines.filter((line) => fits(payout, line));
    if (near.some(({ amount }) => amount === payout.net) || near.length > MOST_NEAR) continue;
    for (const set of setsOf(
      near.filter(({ amount }) => sameSign(amount, payout.net)),
      payout.net,
      ({ amount }) => amount,
    ))
      ways.push({ payoutIds: [payout.id], bankLineIds: set.map(({ id }) => id) });
  }
  for (const line of lines) {
    const near = payouts.filter((payout) => fits(payout, line));
    if (near.some(({ net }) => net === line.amount) || near.length > MOST_NEAR) continue;
    for (const set of setsOf(
      near.filter(({ net, statedNet }) => statedNet === null || statedNet === net),
      line.amount,
      ({ net }) => net,
    ))
      ways.push({ payoutIds: set.map(({ id }) => id), bankLineIds: [line.id] });
  }
  return ways;
}
