import { minor, type Minor, sumOf } from "@/core/money";

import type { ReferenceQuality } from "../memo/scope";
import type { MatchItem, MatchCandidate, Reason } from "../types";
import type { Doubt } from "./doubts";
import type { Part } from "./sums";

/**
 * How the sum comes about. `short` and `over` leave a rest on one side; `surcharge`: the agreed one
 * on top. `mended` is a list whose one wrong or missing number the sum tells.
 */
export type AmountFit =
  | "exact"
  | "surcharge"
  | "discount"
  | "late"
  | "allowed"
  | "credit"
  | "mended"
  | "told"
  | "part"
  | "short"
  | "over"
  | "single"
  | "all"
  | "due"
  | "several"
  | "oldest"
  | "account"
  | "fee"
  | "claim"
  | "gap"
  | "next"
  | "statement"
  | "told-oldest"
  | "rounded";
/** Ways in which the sum alone comes out, with whole items. */
export const OUT_TO_THE_CENT: ReadonlySet<AmountFit> = new Set([
  "single",
  "all",
  "due",
  "several",
  "discount",
  "credit",
  "statement",
]);

/**
 * How well the payer is known to be the customer: beyond doubt, likely, one of several, not known,
 * or clearly somebody else.
 */
export type PayerCertainty = "certain" | "likely" | "weak" | "unknown" | "other";

/** A reading while it is judged. `flaws` counts numbers that it leaves unexplained. */
export type Draft = MatchCandidate & {
  readonly score: number;
  readonly numbers: ReferenceQuality;
  readonly sum: AmountFit;
  readonly who: PayerCertainty;
  /** What else tells how often such a reading is right; empty for most. */
  readonly shape: string;
  readonly flaws: number;
  /** Of these, numbers that it passes over, and ways in which it may be another. */
  readonly skipped: number;
  readonly doubts: readonly Doubt[];
  /** What the customer's habit adds: it orders readings, and makes none sure. */
  readonly lean: number;
  /** Bits for the payer, and for a sum that hardly anybody else's items have. */
  readonly bits: number;
  /** How many sets of the customer's items would make such a sum by chance, where the sum alone tells the set. */
  readonly chance: number;
};

/** An item given so much, with nothing taken off. */
export function whole(item: MatchItem, amount: Minor = item.balance): Part {
  return { item, amount, discount: minor(0), inTime: true };
}

/** How the sum of these parts comes about, where it comes out. */
export function sumKind(parts: readonly Part[]): AmountFit {
  if (parts.some((part) => part.discount !== 0))
    return parts.every((part) => part.inTime) ? "discount" : "late";
  return parts.some(({ item }) => item.balance < 0) ? "credit" : "exact";
}

export function sumReasons(parts: readonly Part[]): Reason[] {
  const discount = sumOf(parts, (part) => part.discount);
  const notes = parts.filter(({ item }) => item.balance < 0);
  return [
    ...(discount !== 0
      ? [{ code: "discount", sum: discount, inTime: parts.every((part) => part.inTime) } as const]
      : [{ code: "sum_of_quoted", count: parts.length } as const]),
    ...(notes.length > 0
      ? [{ code: "credit_note", numbers: notes.map(({ item }) => item.number) } as const]
      : []),
  ];
}

/**
 * Parts that come out, as they are paid. A discount that was taken too late is a short payment,
 * whose rest stays open; beside it stands that the clerk allows it.
 */
export function lateOrAllowed(
  parts: readonly Part[],
): { lines: readonly Part[]; sum: AmountFit; reasons: Reason[] }[] {
  const kept = { lines: parts, sum: sumKind(parts), reasons: sumReasons(parts) };
  if (kept.sum !== "late") return [kept];
  const allowed = sumOf(parts, ({ discount }) => discount);
  return [
    {
      ...kept,
      lines: parts.map((part) => (part.inTime ? part : { ...part, discount: minor(0) })),
    },
    { ...kept, sum: "allowed", reasons: [{ code: "discount_allowed", sum: allowed }] },
  ];
}

/** Readings that differ in money only; the one with more evidence stays. */
export function withoutRepeats(drafts: readonly Draft[]): Draft[] {
  const best = new Map<string, Draft>();
  for (const draft of [...drafts].sort(
    (a, b) => b.score + b.lean - a.score - a.lean || (a.customerId ?? 0) - (b.customerId ?? 0),
  )) {
    const key = draft.lines.length === 0 ? `on ${draft.customerId}` : moneyOf(draft);
    if (!best.has(key)) best.set(key, draft);
  }
  return [...best.values()];
}

/** What a reading does with the money, to tell whether two are the same. */
export function moneyOf(draft: Pick<MatchCandidate, "lines">): string {
  return draft.lines
    .map((line) => `${line.itemId}:${line.amount}:${line.discount}`)
    .sort()
    .join(" ");
}
