import type { Draft } from "./readings";
import type { Decision, Reason } from "./types";

/**
 * How often readings of a kind were right on generated books with known truth
 * (tests/bench/books, seeds 100 to 139, easier and hardest together), smoothed
 * towards the whole: hits and readings by decision, numbers, sum and payer.
 */
const SEEN: Readonly<Record<string, readonly [hits: number, all: number]>> = {
  "check damaged credit certain": [45, 45],
  "check damaged exact weak": [30, 30],
  "check damaged over certain": [20, 20],
  "check damaged over certain flawed": [0, 10],
  "check damaged part certain": [50, 50],
  "check damaged part certain flawed": [0, 7],
  "check damaged short certain": [8, 10],
  "check digits credit certain flawed": [8, 8],
  "check digits exact certain flawed": [10, 10],
  "check digits exact other": [5, 5],
  "check digits exact unknown": [297, 297],
  "check digits mended certain flawed other_reading": [36, 36],
  "check digits over certain flawed": [0, 42],
  "check digits over unknown": [9, 9],
  "check digits part unknown": [15, 15],
  "check digits part weak": [6, 6],
  "check digits short certain": [40, 40],
  "check none account certain claimed": [0, 46],
  "check none account certain claimed+double": [0, 602],
  "check none account certain claimed+double+other_reading alike2": [0, 5],
  "check none credit certain": [31, 31],
  "check none oldest certain": [128, 286],
  "check none oldest certain claimed": [3, 63],
  "check none oldest certain flawed": [8, 14],
  "check none oldest certain other_reading": [30, 57],
  "check none oldest likely": [2, 64],
  "check none oldest likely claimed": [0, 103],
  "check none oldest likely claimed+other_reading": [0, 11],
  "check none oldest likely claimed+other_reading alike2": [0, 8],
  "check none oldest likely other_reading": [3, 11],
  "check none oldest likely other_reading alike2": [0, 9],
  "check none several certain": [5, 5],
  "check none several certain other_reading": [13, 14],
  "check none several certain other_reading alike2": [14, 15],
  "check none single certain also": [60, 63],
  "check none single certain flawed": [8, 8],
  "check none single likely": [47, 47],
  "check none single likely also": [7, 7],
  "check none single weak": [17, 17],
  "check order exact unknown": [14, 14],
  "check order over certain": [5, 5],
  "check order part certain": [19, 19],
  "check order short certain": [2, 5],
  "check whole credit certain flawed": [11, 11],
  "check whole credit unknown": [38, 38],
  "check whole exact other": [19, 19],
  "check whole mended certain flawed other_reading": [18, 18],
  "check whole mended unknown flawed other_reading": [12, 12],
  "check whole over unknown": [49, 86],
  "check whole over weak": [13, 13],
  "check whole part unknown": [138, 177],
  "check whole part weak": [27, 27],
  "check whole short certain": [479, 479],
  "check whole short likely": [15, 15],
  "check whole short unknown": [19, 19],
  "check whole short weak": [7, 7],
  "sure damaged discount certain": [49, 49],
  "sure damaged exact certain": [1594, 1594],
  "sure damaged exact likely": [103, 103],
  "sure digits credit certain": [66, 66],
  "sure digits discount certain": [88, 88],
  "sure digits exact certain": [2372, 2372],
  "sure digits exact likely": [119, 119],
  "sure digits exact weak": [53, 53],
  "sure digits over certain": [70, 71],
  "sure digits part certain": [282, 283],
  "sure digits part likely": [7, 7],
  "sure none all certain": [92, 92],
  "sure none discount certain": [24, 24],
  "sure none due certain": [21, 21],
  "sure none single certain": [874, 878],
  "sure order credit certain": [13, 13],
  "sure order exact certain": [169, 169],
  "sure order exact likely": [8, 8],
  "sure whole credit certain": [880, 880],
  "sure whole credit likely": [20, 20],
  "sure whole credit weak": [15, 15],
  "sure whole discount certain": [860, 860],
  "sure whole discount likely": [23, 23],
  "sure whole discount unknown": [40, 40],
  "sure whole discount weak": [12, 12],
  "sure whole exact certain": [15054, 15054],
  "sure whole exact likely": [514, 514],
  "sure whole exact unknown": [858, 858],
  "sure whole exact weak": [230, 230],
  "sure whole over certain": [975, 978],
  "sure whole over likely": [15, 15],
  "sure whole part certain": [2906, 2906],
  "sure whole part likely": [65, 65],
};

/** Kinds that were never seen are taken for what their decision was on the whole. */
const PRIOR: Record<Decision, number> = { sure: 0.998, check: 0.5, none: 0 };
const PRIOR_WEIGHT = 4;

/** A reading's pattern of evidence: its decision, where number, sum and payer come from, and what speaks against it. */
export function patternOf(draft: Draft, decision: Decision, against: readonly Reason[], alike: number): string {
  const doubts = against.map(({ code }) => code.replace("against_", "")).sort().join("+");
  return [decision, draft.numbers, draft.sum, draft.who, draft.flaws > 0 ? "flawed" : "", doubts, alike > 1 ? `alike${Math.min(alike, 3)}` : ""].filter((part) => part !== "").join(" ");
}

/** The probability that a reading is right: the smoothed hit rate of its pattern, else of its decision on the whole. */
export function confidenceOf(pattern: string, decision: Decision): number {
  const [hits, all] = SEEN[pattern] ?? [0, 0];
  const rate = (hits + PRIOR[decision] * PRIOR_WEIGHT) / (all + PRIOR_WEIGHT);
  return Math.min(0.9999, Math.max(0.0005, Number(rate.toFixed(4))));
}
