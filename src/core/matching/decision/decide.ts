import { type AmountFit, type Draft, OUT_TO_THE_CENT } from "../candidates/candidate";
import type { Doubt } from "../candidates/doubts";
import type { Decision, Reason, Spot } from "../types";
import { SAFE } from "./safeKinds";

/** A second reading whose score lies within this of the best is near, and needs a person. */
const NEAR = 8;
/** Below this nothing says enough to propose it. */
const LEAST = 10;

const LOOSE: ReadonlySet<AmountFit> = new Set(["part", "short", "over"]);

/** What else is known of a receipt when its reading is judged. */
export type Seen = {
  readonly closed: readonly Spot[];
  readonly doubleOf: {
    readonly id: number;
    readonly paidOn: Extract<Reason, { code: "against_double" }>["paidOn"];
  } | null;
  readonly claimed: boolean;
  /** An earlier receipt that may be for the same items. */
  readonly alsoOn: Extract<Reason, { code: "against_also" }>["paidOn"] | null;
  readonly smallShort: boolean;
  readonly foreignCurrency: boolean;
};

/** A set that only its sum tells must be no accident: so many others may make it by chance. */
const MOST_BY_CHANCE = 0.02;
/** Bits for a payer who is not beyond doubt, and a sum that hardly anybody else owes, together. */
const ENOUGH_BITS = 11;

/** Where only the sum speaks: whether it says enough of the payer and of the set. */
function saysEnough(best: Draft): boolean {
  if (best.chance > MOST_BY_CHANCE) return false;
  // One number of nobody who is known, and not even its sum: it may be anybody's slip.
  if (best.sum === "fee" && best.who === "unknown" && best.lines.length < 2) return false;
  if (best.numbers !== "none" || best.who === "certain") return true;
  return best.sum !== "single" || best.bits >= ENOUGH_BITS;
}

/**
 * What weighs, and holds back only where the estimate says so too: alone these cost more right
 * readings than they save wrong ones (`npm run bench -- vetoes`; docs/benchmarks.md).
 */
const WEIGHING: ReadonlySet<Reason["code"]> = new Set(["against_also", "against_claimed"]);
const WEIGHING_DOUBTS: ReadonlySet<Doubt> = new Set(["nearly", "stated", "sums", "told"]);

export type Decided = {
  readonly decision: Decision;
  readonly against: readonly Reason[];
  /** It is held back by nothing but what weighs: the estimate decides. */
  readonly held: boolean;
};

/**
 * Whether the best reading is sure, and what speaks against it besides its own reasons. Each veto
 * is a rule of its own.
 */
export function decide(best: Draft, others: readonly Draft[], seen: Seen): Decided {
  const against = vetoes(rivalsOf(best, others).length, seen);
  const weighing =
    against.filter(({ code }) => WEIGHING.has(code)).length +
    best.doubts.filter((doubt) => WEIGHING_DOUBTS.has(doubt)).length;
  const weight = against.length + best.flaws;
  // A very small rest is the clerk's to write off or to leave open.
  const safe =
    !seen.smallShort &&
    saysEnough(best) &&
    (SAFE[best.numbers]?.[best.sum]?.includes(best.who) ?? false);
  return {
    decision: decisionFor(safe && weight === 0, best),
    against,
    held: safe && weight > 0 && weight === weighing,
  };
}

/** Other readings that could as well be meant. */
function rivalsOf(best: Draft, others: readonly Draft[]): Draft[] {
  // Where only the sum of several speaks, any other way to that sum is a rival.
  const bySum = best.numbers === "none" && ["all", "due", "discount", "several"].includes(best.sum);
  const reach = (other: Draft): number =>
    bySum && other.numbers === "none" && OUT_TO_THE_CENT.has(other.sum) ? 2 * NEAR : NEAR;
  // A payment in part or with too much is no such thing where another open item is of its very sum.
  const exact = (other: Draft): boolean =>
    LOOSE.has(best.sum) && other.sum === "single" && other.who !== "other";
  // So is a reading of the kind that the customer is known for, where the best is not.
  const usual = (other: Draft): boolean =>
    best.numbers === "none" && best.lean === 0 && other.lean > 0 && OUT_TO_THE_CENT.has(other.sum);
  // What comes out to the cent is not doubted for what does not.
  const loose = (other: Draft): boolean =>
    best.numbers === "none" && OUT_TO_THE_CENT.has(best.sum) && other.sum === "oldest";
  return others.filter(
    (other) =>
      (other.lines.length > 0 && other.score > best.score - reach(other) && !loose(other)) ||
      exact(other) ||
      usual(other),
  );
}

function vetoes(rivals: number, seen: Seen): Reason[] {
  const { closed, doubleOf, alsoOn } = seen;
  const against: Reason[] = [];
  if (rivals > 0) against.push({ code: "against_other_reading", count: rivals });
  if (closed.length > 0) against.push({ code: "against_closed", spots: closed });
  if (doubleOf !== null)
    against.push({ code: "against_double", paidOn: doubleOf.paidOn, receiptId: doubleOf.id });
  if (alsoOn !== null && doubleOf === null) against.push({ code: "against_also", paidOn: alsoOn });
  if (seen.claimed) against.push({ code: "against_claimed" });
  if (seen.foreignCurrency) against.push({ code: "against_currency" });
  return against;
}

function decisionFor(safe: boolean, best: Draft): Decision {
  if (safe) return "sure";
  if (best.score >= LEAST) return "check";
  return "none";
}

/** Behind quoted numbers, before all that only a sum speaks for. */
const OLDEST_FIRST = 38;

/** What a whole number and its very sum say comes before all that is worked out. */
const FIRST = 20;
const named = (best: Draft): boolean =>
  best.numbers !== "none" && best.flaws === 0 && ["exact", "discount"].includes(best.sum);

/**
 * The order in which receipts claim their balances: by how certain their best reading is, quoted
 * numbers first.
 */
export function certainty(drafts: readonly Draft[]): number {
  const [best, next] = drafts;
  if (!best) return -1000;
  // Who says that the oldest are paid first does so in the order of the payments.
  if (best.sum === "told-oldest") return OLDEST_FIRST;
  return (
    (named(best) ? FIRST : 0) +
    best.score -
    (next && next.score > best.score - NEAR ? 10 : 0) -
    best.flaws * 6
  );
}
