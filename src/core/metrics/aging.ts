import { daysBetween, type Day } from "@/core/calendar";
import { minor, type Minor } from "@/core/money";

/** Aging buckets by days past the due day (common practice, no source). */
export const BUCKETS = ["not_due", "d1_30", "d31_60", "d61_90", "over_90"] as const;
export type Bucket = (typeof BUCKETS)[number];
export type Aging = Readonly<Record<Bucket, Minor>> & { readonly total: Minor };

export function bucketWords(bucket: Bucket): string {
  return { not_due: "not due", d1_30: "1 to 30 days", d31_60: "31 to 60", d61_90: "61 to 90", over_90: "over 90" }[bucket];
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
export function agingOf(items: readonly { readonly dueOn: Day; readonly balance: number }[], asOf: Day): Aging {
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
  return { not_due: minor(not_due), d1_30: minor(d1_30), d31_60: minor(d31_60), d61_90: minor(d61_90), over_90: minor(over_90), total: minor(not_due + d1_30 + d31_60 + d61_90 + over_90) };
}
