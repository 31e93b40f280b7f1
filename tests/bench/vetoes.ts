import { type Judged, MAKERS } from "./books/makers";
import type { Measure } from "./measure";

/** What holds a reading back, by the word that stands for it in its pattern, and what it means. */
const VETOES: Readonly<Record<string, string>> = {
  foreign: "a number of somebody else",
  unread: "a number in the book's own style that nothing explains",
  skipped: "numbers of the customer that the reading passes over",
  doubt1: "one more way to read it, or words that tell of something else",
  doubt2: "two or more of these",
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
      for (const seed of maker.keptApart.slice(0, 6))
        for (const one of await maker.judged(level, seed)) count(held, one);
  return [...held].map(([veto, { right, saved }]) => ({
    work: `${veto}: ${VETOES[veto]}`,
    took: `saves ${saved} wrong ones, costs ${right} right ones`,
    must: "–",
  }));
}

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
