import { type Draft, moneyOf } from "../candidates/candidate";
import { textOf } from "../candidates/readings";
import { confidenceOf, patternOf } from "../decision/calibration";
import { decide, type Seen } from "../decision/decide";
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

export function isSmallShort(draft: Draft, limit: number): boolean {
  const short = draft.reasons.find((reason) => reason.code === "against_short");
  return short?.code === "against_short" && short.by <= limit;
}

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

export function judged(
  receipt: MatchReceipt,
  now: readonly Draft[],
  before: readonly Draft[],
  seen: Omit<Seen, "claimed">,
): Proposal {
  const best = now[0];
  if (!best) return { receiptId: receipt.id, decision: "none", readings: [] };
  const changed = before[0] !== undefined && moneyOf(before[0]) !== moneyOf(best);
  const shown =
    seen.doubleOf !== null && best.lines.length > 0 ? onAccountFirst(receipt, best, now) : [...now];
  const { decision, against } = decide(best, now.slice(1), { ...seen, claimed: changed });
  const kept = decision === "none" && best.lines.length === 0 ? [] : shown.slice(0, MOST_READINGS);
  const alike = now.filter(
    (other) => other.score >= best.score - 1 && other.lines.length > 0,
  ).length;
  const pattern = patternOf(shown[0] ?? best, decision, against, alike);
  const certain = confidenceOf(pattern, decision);
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
export const hasItsOwn = ({ sum, lines }: Draft): boolean => sum === "single" && lines.length === 1;
