import type { Draft } from "./readings";
import type { Decision } from "./types";

/**
 * How often readings of a kind were right on generated books with known truth
 * (tests/bench/books, seeds 100 to 139, easier and hardest together), smoothed
 * towards the whole: hits and readings by decision, numbers, sum and payer.
 */
const SEEN: Readonly<Record<string, readonly [hits: number, all: number]>> = {};

/** Kinds that were never seen are taken for what their decision was on the whole. */
const PRIOR: Record<Decision, number> = { sure: 0.998, check: 0.6, none: 0 };
const PRIOR_WEIGHT = 4;

export function kindOf(draft: Draft, decision: Decision, near: boolean): string {
  return `${decision} ${draft.numbers} ${draft.sum} ${draft.who}${draft.flaws > 0 ? " flawed" : ""}${near ? " near" : ""}`;
}

/** The probability that a reading is right, from the hit rate of its kind; readings that are alike share it. */
export function confidenceOf(draft: Draft, decision: Decision, near: boolean, alike: number): number {
  const [hits, all] = SEEN[kindOf(draft, decision, near)] ?? [0, 0];
  const rate = (hits + PRIOR[decision] * PRIOR_WEIGHT) / (all + PRIOR_WEIGHT);
  return Math.min(0.9999, Math.max(0.0005, Number((rate / Math.max(1, alike)).toFixed(4))));
}
