import type { AmountFit, Draft, PayerCertainty } from "../candidates/candidate";
import type { ReferenceQuality } from "../memo/scope";
import type { Decision, Reason, Spot } from "../types";

/** A second reading whose score lies within this of the best is near, and needs a person. */
const NEAR = 8;
/** Below this nothing says enough to propose it. */
const LEAST = 10;

/** Ways to come to the very sum. */
const EXACT: ReadonlySet<AmountFit> = new Set(["single", "all", "due", "several", "discount"]);

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

/**
 * The kinds of reading that may be sure, with how well the payer must be
 * known. Safety is a matter of structure, not of the score: what does not
 * stand here is looked at by a person, however good it looks.
 */
const SAFE: Partial<
  Record<ReferenceQuality, Partial<Record<AmountFit, readonly PayerCertainty[]>>>
> = {
  whole: {
    exact: ["certain", "likely", "weak", "unknown"],
    discount: ["certain", "likely", "weak", "unknown"],
    surcharge: ["certain", "likely"],
    credit: ["certain", "likely", "weak"],
    told: ["certain", "likely", "weak"],
    part: ["certain", "likely", "weak"],
    over: ["certain", "likely", "weak"],
  },
  digits: {
    exact: ["certain", "likely", "weak"],
    discount: ["certain", "likely", "weak"],
    surcharge: ["certain"],
    credit: ["certain", "likely"],
    told: ["certain"],
    part: ["certain", "likely"],
    over: ["certain", "likely"],
  },
  order: {
    exact: ["certain", "likely"],
    discount: ["certain", "likely"],
    credit: ["certain"],
    part: ["certain"],
    over: ["certain"],
  },
  damaged: {
    exact: ["certain", "likely"],
    discount: ["certain", "likely"],
    credit: ["certain"],
    part: ["certain"],
    over: ["certain"],
  },
  none: { single: ["certain"], all: ["certain"], due: ["certain"], discount: ["certain"] },
};

/**
 * Whether the best reading is sure, and what speaks against it besides its own reasons. Each veto
 * is a rule of its own.
 */
export function decide(
  best: Draft,
  others: readonly Draft[],
  seen: Seen,
): { decision: Decision; against: Reason[] } {
  const against = vetoes(rivalsOf(best, others).length, seen);
  // A very small rest is the clerk's to write off or to leave open.
  const safe =
    against.length === 0 &&
    !seen.smallShort &&
    best.flaws === 0 &&
    (SAFE[best.numbers]?.[best.sum]?.includes(best.who) ?? false);
  return { decision: decisionFor(safe, best), against };
}

/** Other readings that could as well be meant. */
function rivalsOf(best: Draft, others: readonly Draft[]): Draft[] {
  // Where only the sum of several speaks, any other way to that sum is a rival.
  const bySum = best.numbers === "none" && ["all", "due", "discount"].includes(best.sum);
  const reach = (other: Draft): number =>
    bySum && other.numbers === "none" && EXACT.has(other.sum) ? 2 * NEAR : NEAR;
  // A payment in part or with too much is no such thing where another open item is of its very sum.
  const exact = (other: Draft): boolean =>
    LOOSE.has(best.sum) && other.sum === "single" && other.who !== "other";
  // So is a reading of the kind that the customer is known for, where the best is not.
  const usual = (other: Draft): boolean =>
    best.numbers === "none" && best.lean === 0 && other.lean > 0 && EXACT.has(other.sum);
  return others.filter(
    (other) =>
      (other.lines.length > 0 && other.score > best.score - reach(other)) ||
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

/**
 * The order in which receipts claim their balances: by how certain their best reading is, quoted
 * numbers first.
 */
export function certainty(drafts: readonly Draft[]): number {
  const [best, next] = drafts;
  if (!best) return -1000;
  return best.score - (next && next.score > best.score - NEAR ? 10 : 0) - best.flaws * 6;
}
