import { daysBetween, type Day } from "@/core/calendar";
import { minor, type Minor } from "@/core/money";

/** Aging buckets by days past the due day (common practice, no source). */
export const BUCKETS = ["not_due", "d1_30", "d31_60", "d61_90", "over_90"] as const;
export type Bucket = (typeof BUCKETS)[number];
export type Aging = Readonly<Record<Bucket, Minor>> & { readonly total: Minor };

export function bucketWords(bucket: Bucket): string {
  return {
    not_due: "not due",
    d1_30: "1 to 30 days",
    d31_60: "31 to 60",
    d61_90: "61 to 90",
    over_90: "over 90",
  }[bucket];
}

/** Days past due on a day; 0 or less is not overdue. An invoice is overdue from the day after its due day. */
export function daysOverdue(dueOn: Day, asOf: Day): number {
  return daysBetween(dueOn, asOf);
}

export function bucketOf(dueOn: Day, asOf: Day): Bucket {
  const days = daysOverdue(dueOn, asOf);
  if (days <= 0) return "not_due";
  if (days <= 30) return "d1_30";
  if (days <= 60) return "d31_60";
  return days <= 90 ? "d61_90" : "over_90";
}

/** Open balances by age; a credit note stands in the bucket of its own date. The buckets sum to total. */
export function agingOf(
  items: readonly { readonly dueOn: Day; readonly balance: number }[],
  asOf: Day,
): Aging {
  const sums: Record<Bucket, number> = { not_due: 0, d1_30: 0, d31_60: 0, d61_90: 0, over_90: 0 };
  for (const { dueOn, balance } of items) sums[bucketOf(dueOn, asOf)] += balance;
  return finished(sums);
}

export function totalAging(agings: readonly Aging[]): Aging {
  const sums: Record<Bucket, number> = { not_due: 0, d1_30: 0, d31_60: 0, d61_90: 0, over_90: 0 };
  for (const aging of agings) for (const bucket of BUCKETS) sums[bucket] += aging[bucket];
  return finished(sums);
}

function finished(sums: Record<Bucket, number>): Aging {
  const { not_due, d1_30, d31_60, d61_90, over_90 } = sums;
  return {
    not_due: minor(not_due),
    d1_30: minor(d1_30),
    d31_60: minor(d31_60),
    d61_90: minor(d61_90),
    over_90: minor(over_90),
    total: minor(not_due + d1_30 + d31_60 + d61_90 + over_90),
  };
}

/**
 * Which day an invoice's age counts from: the due day (until then it is not due), or the day it was
 * issued. A credit note counts from its own day.
 */
export type AgedBy = "due" | "issued";

/**
 * One column of an aging by days of one's own: from so many days to so many, both included; null
 * where it is open.
 */
export type AgeSpan = {
  readonly from: number | null;
  readonly to: number | null;
  readonly words: string;
};

/**
 * The columns of an aging whose edges are days of one's own, rising.
 * @example spansOf([15, 45], "due") // not due, 1 to 15, 16 to 45, over 45
 * @example spansOf([30], "issued") // up to 30, over 30
 */
export function spansOf(edges: readonly number[], by: AgedBy): AgeSpan[] {
  const spans: AgeSpan[] = by === "due" ? [{ from: null, to: 0, words: "not due" }] : [];
  edges.forEach((edge, at) => {
    const before = edges[at - 1];
    if (by === "issued" && before === undefined)
      spans.push({ from: null, to: edge, words: `up to ${edge} days` });
    else
      spans.push({
        from: (before ?? 0) + 1,
        to: edge,
        words: `${(before ?? 0) + 1} to ${edge}${at === 0 ? " days" : ""}`,
      });
  });
  const last = edges.at(-1) ?? 0;
  return [...spans, { from: last + 1, to: null, words: `over ${last}` }];
}

/** In which of the columns an age of so many days stands. */
export function spanOf(spans: readonly AgeSpan[], days: number): number {
  return spans.findIndex(
    ({ from, to }) => (from === null || days >= from) && (to === null || days <= to),
  );
}
