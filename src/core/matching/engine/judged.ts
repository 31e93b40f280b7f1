import { type Draft, moneyOf } from "../candidates/candidate";
import { textOf } from "../candidates/readings";
import { confidenceOf, patternOf } from "../decision/calibration";
import { decide, type Decided, type Seen } from "../decision/decide";
import { takes } from "./assign";
import { numberSpots } from "../memo/numberWords";
import { type MatchingInput } from "../types";
import {
  type MatchCandidate,
  type MatchReceipt,
  type Proposal,
  type Reason,
  type Spot,
} from "../types";

/** Readings shown beside the best. */
const MOST_READINGS = 6;

/** Whether so little stays open that the clerk may write it off: a part, a fee, a discount taken late. */
export function isSmallShort({ sum, reasons }: Draft, limit: number): boolean {
  if (!RESTS.has(sum)) return false;
  return reasons.some(
    (reason) =>
      ((reason.code === "against_short" || reason.code === "fee" || reason.code === "claim") &&
        reason.by <= limit) ||
      (reason.code === "discount" && !reason.inTime && reason.sum <= limit),
  );
}

const RESTS: ReadonlySet<Draft["sum"]> = new Set(["part", "fee", "claim", "late"]);

/** Numbers in the memo that are the book's own but closed, where no open one is quoted. */
export function closedNumbers(
  receipt: MatchReceipt,
  closed: ReadonlyMap<string, number>,
  drafts: readonly Draft[],
): Spot[] {
  if (closed.size === 0) return [];
  const used = new Set(drafts[0]?.lines.map((line) => line.number.toUpperCase()));
  return numberSpots(textOf(receipt))
    .map(({ at, text }) => ({ at, text: text.toUpperCase() }))
    .filter(({ text }) => closed.has(text) && !used.has(text));
}

type Standing = {
  readonly isNamed: (itemId: number) => boolean;
  readonly riskLimit: number | undefined;
};

/** How likely a sure one may be wrong where the book does not say. */
const RISK_LIMIT = 0.05;

export function judged(
  receipt: MatchReceipt,
  now: readonly Draft[],
  before: readonly Draft[],
  { isNamed, riskLimit, ...seen }: Omit<Seen, "claimed"> & Standing,
): Proposal {
  const best = now[0];
  if (!best) return { receiptId: receipt.id, decision: "none", readings: [] };
  const changed = before[0] !== undefined && isTakenAway(before[0], best, isNamed);
  const shown =
    seen.doubleOf !== null && best.lines.length > 0 ? onAccountFirst(receipt, best, now) : [...now];
  const found = decide(best, now.slice(1), { ...seen, claimed: changed });
  const kept =
    found.decision === "none" && best.lines.length === 0 ? [] : shown.slice(0, MOST_READINGS);
  const alike = now.filter(
    (other) => other.score >= best.score - 1 && other.lines.length > 0,
  ).length;
  const word = found.held ? "held" : found.decision;
  const pattern = patternOf(shown[0] ?? best, word, found.against, alike);
  const certain = confidenceOf(pattern);
  const { decision, against } = withinLimit(found, certain, riskLimit ?? RISK_LIMIT);
  return {
    receiptId: receipt.id,
    decision,
    readings: kept.map((draft, index) =>
      index === 0
        ? finish(draft, against, certain, pattern)
        : finish(draft, [], Number((((1 - certain) * 0.6) / 2 ** (index - 1)).toFixed(4)), pattern),
    ),
  };
}

/**
 * What is sure by its kind, and too often wrong for this book, is looked at; what is held back by
 * nothing but what weighs is sure where it is right so often.
 */
function withinLimit(
  { decision, against, held }: Decided,
  certain: number,
  limit: number,
): Pick<Decided, "decision" | "against"> {
  const isWithin = 1 - certain <= limit;
  if (held && isWithin) return { decision: "sure", against };
  if (decision !== "sure" || isWithin) return { decision, against };
  return { decision: "check", against: [...against, { code: "against_risk", certain }] };
}

/** The second of two equal payments is kept from any item that it was not given for by number. */
function onAccountFirst(receipt: MatchReceipt, best: Draft, drafts: readonly Draft[]): Draft[] {
  const kept = drafts.find(
    (draft) => draft.lines.length === 0 && draft.customerId === best.customerId,
  ) ?? {
    ...best,
    lines: [],
    onAccount: receipt.amount,
    sum: "account" as const,
    numbers: "none" as const,
    reasons: best.reasons.filter((reason) => !reason.code.startsWith("sum")),
  };
  return [kept, ...drafts.filter((draft) => draft !== kept)];
}

/** A number that nothing explains because it is paid already is said once. */
function isClosed(reason: Reason, against: readonly Reason[]): boolean {
  const closed = against.find(({ code }) => code === "against_closed");
  return (
    reason.code === "against_unread" &&
    closed?.code === "against_closed" &&
    reason.spots.every(({ text }) => closed.spots.some((spot) => spot.text === text))
  );
}

function finish(
  draft: Draft,
  against: readonly Reason[],
  certain: number,
  pattern: string,
): MatchCandidate {
  return {
    customerId: draft.customerId,
    lines: draft.lines,
    onAccount: draft.onAccount,
    confidence: certain,
    pattern,
    ...(draft.surcharge === undefined ? {} : { surcharge: draft.surcharge }),
    reasons: [...draft.reasons.filter((reason) => !isClosed(reason, against)), ...against],
  };
}

export const closedOf = (input: MatchingInput): ReadonlyMap<string, number> =>
  new Map(input.closed.map((entry) => [entry.number.toUpperCase(), entry.customerId]));

/**
 * Whether an item of the very sum is still open for it: equal receipts for equal open items are two
 * payments, and a double is suspected only where fewer items than receipts are open.
 */
export const hasItsOwn = ({ sum, chance }: Draft): boolean =>
  sum === "single" || sum === "all" || sum === "due" || (sum === "several" && chance < 0.1);

/** Whether a reading leaves a rest on one side, so that the same words may come a second time. */
export const isLoose = ({ sum }: Draft): boolean => LOOSE.has(sum);
const LOOSE: ReadonlySet<Draft["sum"]> = new Set(["part", "short", "over", "fee", "late"]);

/**
 * Whether another receipt took what this one would have been for. It is no
 * doubt where equal items stand for each other, and where what is gone was
 * claimed by its number.
 */
function isTakenAway(before: Draft, now: Draft, isNamed: (itemId: number) => boolean): boolean {
  if (moneyOf(before) === moneyOf(now)) return false;
  if (before.numbers !== "none") return true;
  if (before.customerId === now.customerId && takes(before) === takes(now)) return false;
  const kept = new Set(now.lines.map(({ itemId }) => itemId));
  const gone = before.lines.filter(({ itemId }) => !kept.has(itemId));
  return !gone.every(({ itemId }) => isNamed(itemId));
}

/** Whether a receipt is sure of a home by a number that it names. */
export const isPlaced = (proposal: Proposal | undefined): boolean =>
  proposal?.decision === "sure" && proposal.readings[0]?.pattern.split(" ")[1] !== "none";
