import type { Minor } from "@/core/money";

import { nearInTime, speaksOf, type TieLine, type TiePayout } from "./tieOut";

/** A bank's rate for a payout lies this near the day's, in parts of a thousand; a proposal needs no more. */
const NEAR_PER_MILLE = 50;

/**
 * The bank line that a payout in another currency probably came in: near in
 * time, at a rate near the day's, named by its words or the only one. Never tied
 * by itself, as its sum proves nothing.
 * @param worth what the payout is carried at, in the currency of the lines
 * @example EUR 100.00, carried at 108.34, one line of 107.90 two days on: that line
 */
export function lineAtOwnRate<Line extends TieLine>(
  payout: TiePayout,
  worth: Minor,
  lines: readonly Line[],
): Line | null {
  const near = lines.filter(
    (line) =>
      line.currency !== payout.currency &&
      nearInTime(payout, line) &&
      Math.sign(line.amount) === Math.sign(worth) &&
      Math.abs(line.amount - worth) * 1000 <= Math.abs(worth) * NEAR_PER_MILLE,
  );
  const named = near.filter((line) => payout.descriptor !== null && speaksOf(line, payout));
  const [only, other] = named.length > 0 ? named : near;
  return only && !other ? only : null;
}
