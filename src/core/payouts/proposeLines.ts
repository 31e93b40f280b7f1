import { bankingDaysBetween } from "@/core/calendar";
import type { Minor } from "@/core/money";

import { lineAtOwnRate } from "./ownRate";
import { fitsPayout, type TieLine, type TiePayout } from "./tieOut";

/**
 * A payout that waits; `worth`: what it is carried at in the book's currency where its own is
 * another, else null.
 */
export type WaitingPayout = TiePayout & { readonly worth: Minor | null };

/** A line proposed for a payout, and why: its sum, its number, the processor's name, or a rate near. */
export type ProposedLine<Line extends TieLine> = {
  readonly line: Line;
  readonly by: "sum" | "number" | "name" | "rate";
};

/** A line reaches the bank within this many banking days of the payout, never before its day. */
const NEAR = 4;

type Edges<Line> = ReadonlyMap<number, readonly Line[]>;

/**
 * The bank line nearest to being each payout, all payouts together: a line is proposed once, and so
 * that as many as can have a line of their sum, then of their number, then of their name. Of lines
 * as good, the one nearest in time, then the earlier. The order of the payouts does not matter.
 */
export function proposeLines<Line extends TieLine>(
  payouts: readonly WaitingPayout[],
  lines: readonly Line[],
): Map<number, ProposedLine<Line>> {
  const proposed = new Map<number, ProposedLine<Line>>();
  const taken = new Set<number>();
  const sorted = [...payouts].sort((a, b) => a.id - b.id);
  for (const by of ["sum", "number", "name", "rate"] as const) {
    const free = lines.filter(({ id }) => !taken.has(id));
    const waiting = sorted.filter(({ id }) => !proposed.has(id));
    const edges: Edges<Line> = new Map(
      waiting.map((payout) => [payout.id, nearestFirst(payout, CHOICES[by](payout, free))]),
    );
    for (const [id, line] of mostPairs(edges)) {
      proposed.set(id, { line, by });
      taken.add(line.id);
    }
  }
  return proposed;
}

type Choice = <Line extends TieLine>(payout: WaitingPayout, lines: readonly Line[]) => Line[];

const CHOICES: Record<ProposedLine<TieLine>["by"], Choice> = {
  sum: (payout, lines) => lines.filter((line) => isFrom(payout, line) && fitsPayout(payout, line)),
  number: (payout, lines) =>
    payout.externalId.length < 4
      ? []
      : lines.filter((line) => isNear(payout, line) && says(line, payout.externalId)),
  name: (payout, lines) =>
    lines.filter(
      (line) =>
        isNear(payout, line) &&
        payout.descriptor !== null &&
        says(line, payout.descriptor) &&
        Math.sign(line.amount) === Math.sign(payout.net),
    ),
  // A payout whose sums agree with the file can have come at the bank's own rate.
  rate: (payout, lines) => {
    const agrees = payout.statedNet === null || payout.statedNet === payout.net;
    if (payout.worth === null || !agrees) return [];
    const later = lines.filter((line) => isFrom(payout, line));
    const line = lineAtOwnRate(payout, payout.worth, later);
    return line ? [line] : [];
  },
};

const isFrom = (payout: TiePayout, line: TieLine): boolean => line.postedOn >= payout.paidOn;

const isNear = (payout: TiePayout, line: TieLine): boolean =>
  isFrom(payout, line) &&
  line.currency === payout.currency &&
  bankingDaysBetween(payout.paidOn, line.postedOn) <= NEAR;

const says = ({ description }: TieLine, words: string): boolean =>
  description.toLowerCase().includes(words.toLowerCase());

function nearestFirst<Line extends TieLine>(payout: TiePayout, lines: Line[]): Line[] {
  const days = (line: Line): number => bankingDaysBetween(payout.paidOn, line.postedOn);
  return lines.sort((a, b) => days(a) - days(b) || a.id - b.id);
}

/** As many pairs as there can be (Kuhn 1955): a line is given up where its payout has another. */
function mostPairs<Line extends TieLine>(edges: Edges<Line>): Map<number, Line> {
  const ownerOf = new Map<number, number>();
  const lineOf = new Map<number, Line>();
  const find = (payout: number, seen: Set<number>): boolean => {
    for (const line of edges.get(payout) ?? []) {
      if (seen.has(line.id)) continue;
      seen.add(line.id);
      const owner = ownerOf.get(line.id);
      if (owner !== undefined && !find(owner, seen)) continue;
      ownerOf.set(line.id, payout);
      lineOf.set(payout, line);
      return true;
    }
    return false;
  };
  for (const payout of edges.keys()) find(payout, new Set());
  return lineOf;
}
