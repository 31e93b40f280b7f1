import { type Judged, type Maker, MAKERS } from "./books/makers";
import type { Measure } from "./measure";

/** What holds a reading back, by the word that stands for it in its pattern, and what it means. */
const VETOES: Readonly<Record<string, string>> = {
  foreign: "a number of somebody else",
  unread: "a number in the book's own style that nothing explains",
  skipped: "numbers of the customer that the reading passes over",
  "doubt-ways": "more than one set comes out",
  "doubt-equal": "equal items, or sites, that may be meant",
  "doubt-open": "a number that may be one of several items",
  "doubt-out": "a number that the words leave out",
  "doubt-stated": "sums beside the numbers that say otherwise",
  "doubt-odd": "short by a sum that no bank keeps",
  "doubt-nearly": "a number that is nearly one's own, without the sum",
  "doubt-much": "more over than is named",
  "doubt-site": "one of a group, and nobody says which",
  "doubt-told": "words of the oldest, a statement, a credit note or the next",
  "doubt-ahead": "words of a payment ahead",
  "doubt-later": "items after the day of a statement",
  "doubt-more": "and so on",
  "doubt-unread": "more than one number that leads nowhere",
  "doubt-sums": "sums in the words that the reading does not know",
  other_reading: "another reading is near",
  closed: "a number that is settled already",
  double: "the same sum came before",
  also: "another receipt may be for the same",
  claimed: "another receipt took the first choice",
  currency: "a number in another currency",
  risk: "the limit of risk",
};

/**
 * Readings that one thing alone holds back, on every maker's books: how many of them a clerk could
 * be sure of and are right, how many were wrong or nobody's to say; `npm run bench -- vetoes`.
 */
export async function vetoes(): Promise<Measure[]> {
  const held = new Map(Object.keys(VETOES).map((veto) => [veto, { right: 0, saved: 0 }]));
  for (const maker of MAKERS)
    for (const level of maker.levels)
      for (const seed of seedsOf(maker))
        for (const one of await maker.judged(level, seed)) count(held, one);
  return [...held].map(([veto, { right, saved }]) => ({
    work: `${veto}: ${VETOES[veto]}`,
    took: `saves ${saved} wrong ones, costs ${right} right ones`,
    must: "–",
  }));
}

/** Of the books that weights are fitted on: what is kept apart judges the whole. */
const seedsOf = ({ fitOn }: Maker): readonly number[] =>
  fitOn === "any" ? Array.from({ length: 12 }, (_, at) => 100 + at) : fitOn;

function count(held: Map<string, { right: number; saved: number }>, one: Judged): void {
  const [best] = one.proposal.readings;
  if (!best || one.proposal.decision !== "check") return;
  const words = best.pattern.split(" ").slice(4);
  const risky = best.reasons.some(({ code }) => code === "against_risk");
  const found = [...words.filter((word) => word in VETOES), ...(risky ? ["risk"] : [])];
  const [only] = found;
  const tally = found.length === 1 ? held.get(only ?? "") : undefined;
  if (!tally) return;
  if (one.clear && one.right) tally.right += 1;
  else if (!one.right || !one.strictly) tally.saved += 1;
}
