import type { Draft } from "../candidates/candidate";
import type { Decision, Reason } from "../types";
import { SEEN } from "./calibrationTable.generated";

/** Kinds that were never seen are taken for what their decision was on the whole. */
const PRIOR: Record<Decision, number> = { sure: 0.998, check: 0.56, none: 0.22 };
const PRIOR_WEIGHT = 4;

/** A reading's pattern of evidence: its decision, where number, sum and payer come from, and what speaks against it. */
export function patternOf(
  draft: Draft,
  decision: Decision,
  against: readonly Reason[],
  alike: number,
): string {
  const doubts = against
    .map(({ code }) => code.replace("against_", ""))
    .sort()
    .join("+");
  return [
    decision,
    draft.numbers,
    draft.sum,
    draft.shape,
    draft.who,
    draft.flaws > 0 ? "flawed" : "",
    doubts,
    alike > 1 ? `alike${Math.min(alike, 3)}` : "",
  ]
    .filter((part) => part !== "")
    .join(" ");
}

/** The probability that a reading is right: the smoothed hit rate of its pattern, else of its decision on the whole. */
export function confidenceOf(pattern: string, decision: Decision): number {
  const [hits, all] = SEEN[pattern] ?? [0, 0];
  const rate = (hits + PRIOR[decision] * PRIOR_WEIGHT) / (all + PRIOR_WEIGHT);
  return Math.min(0.9999, Math.max(0.0005, Number(rate.toFixed(4))));
}
