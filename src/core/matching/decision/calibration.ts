import type { Draft } from "../candidates/candidate";
import type { Decision, Reason } from "../types";
import { WEIGHTS } from "./weights.generated";

/**
 * A reading's pattern of evidence in words: its decision (`held` where only what weighs holds it
 * back), where number, sum and
 * payer come from, what is not explained, what speaks against it, how many
 * others are like it, and how rare the sum is. They mean the same in every book.
 */
export function patternOf(
  draft: Draft,
  decision: Decision | "held",
  against: readonly Reason[],
  alike: number,
): string {
  const has = (code: Reason["code"]): boolean =>
    draft.reasons.some((reason) => reason.code === code);
  return [
    decision,
    draft.numbers,
    draft.sum,
    draft.who,
    draft.shape === "" ? "" : `shape-${draft.shape.replaceAll(" ", "-")}`,
    has("against_number") ? "foreign" : "",
    has("against_unread") ? "unread" : "",
    draft.skipped > 0 ? "skipped" : "",
    ...[...new Set(draft.doubts)].sort().map((doubt) => `doubt-${doubt}`),
    draft.doubts.length > 1 ? "doubts" : "",
    ...against.map(({ code }) => code.replace("against_", "")).sort(),
    alike > 1 ? `alike${Math.min(alike, 3)}` : "",
    has("equal_items") ? "equal" : "",
    has("group") ? "group" : "",
    draft.chance > 0
      ? `chance${Math.max(0, Math.min(4, Math.round(-Math.log10(draft.chance))))}`
      : "",
    draft.numbers === "none" && draft.who !== "certain"
      ? `bits${Math.min(4, Math.floor(draft.bits / 5))}`
      : "",
  ]
    .filter((part) => part !== "")
    .join(" ");
}

/** What counts of a pattern: each word, where number and sum come from together, and these with each other word. */
export function featuresOf(pattern: string): string[] {
  const [decision = "", numbers = "", sum = "", ...more] = pattern.split(" ");
  const kind = `${numbers}/${sum}`;
  return [
    "all",
    decision,
    numbers,
    sum,
    kind,
    `${kind} ${decision}`,
    ...more.flatMap((word) => [word, `${kind} ${word}`]),
  ];
}

/**
 * The probability that a reading is right: a log-linear model of its pattern
 * (logistic regression), drawn toward doubt where something was seen rarely.
 * Fitted by `npm run bench -- calibrate`.
 */
export function confidenceOf(pattern: string): number {
  const logit = featuresOf(pattern).reduce((sum, feature) => sum + (WEIGHTS[feature] ?? 0), 0);
  const rate = 1 / (1 + Math.exp(-logit));
  return Math.min(0.9999, Math.max(0.0005, Number(rate.toFixed(4))));
}
