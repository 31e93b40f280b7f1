import { add, percentOf, ratioOf, type Minor } from "@/core/money";

import { BUCKETS, type Aging, type Bucket } from "./aging";

/** What part of each bucket is doubtful, in per cent (decimal text). Common practice, no source: it grows with age. */
export const DOUBTFUL_PERCENT: Readonly<Record<Bucket, string>> = {
  not_due: "1",
  d1_30: "3",
  d31_60: "10",
  d61_90: "25",
  over_90: "50",
};

/**
 * The allowance for doubtful debts by the aging-of-receivables method: each
 * bucket by its rate, summed (accounting textbooks). A bucket that is owed by
 * the book (credit notes) makes nothing.
 * @example 10,000 not due at 1 %, 2,000 of 1 to 30 days at 3 %: 100 + 60 = 160
 */
export function allowanceFor(
  aging: Aging,
  percent: Readonly<Record<Bucket, string>> = DOUBTFUL_PERCENT,
): { readonly byBucket: Readonly<Record<Bucket, Minor>>; readonly sum: Minor } {
  const of = (bucket: Bucket): Minor => {
    const ratio = ratioOf(percent[bucket]);
    return ratio.ok && aging[bucket] > 0
      ? percentOf(aging[bucket], ratio.value, "half-even")
      : add(0);
  };
  const byBucket = {
    not_due: of("not_due"),
    d1_30: of("d1_30"),
    d31_60: of("d31_60"),
    d61_90: of("d61_90"),
    over_90: of("over_90"),
  };
  return { byBucket, sum: add(...BUCKETS.map((bucket) => byBucket[bucket])) };
}
