import {
  add,
  daysBetween,
  minor,
  percentOf,
  ratioOf
} from "./chunk-HBIDXRTT.mjs";

// src/core/metrics/aging.ts
var BUCKETS = ["not_due", "d1_30", "d31_60", "d61_90", "over_90"];
function daysOverdue(dueOn, asOf) {
  return daysBetween(dueOn, asOf);
}
function bucketOf(dueOn, asOf) {
  const days = daysOverdue(dueOn, asOf);
  if (days <= 0) return "not_due";
  if (days <= 30) return "d1_30";
  if (days <= 60) return "d31_60";
  return days <= 90 ? "d61_90" : "over_90";
}
function agingOf(items, asOf) {
  const sums = { not_due: 0, d1_30: 0, d31_60: 0, d61_90: 0, over_90: 0 };
  for (const { dueOn, balance } of items) sums[bucketOf(dueOn, asOf)] += balance;
  return finished(sums);
}
function totalAging(agings) {
  const sums = { not_due: 0, d1_30: 0, d31_60: 0, d61_90: 0, over_90: 0 };
  for (const aging of agings) for (const bucket of BUCKETS) sums[bucket] += aging[bucket];
  return finished(sums);
}
function finished(sums) {
  const { not_due, d1_30, d31_60, d61_90, over_90 } = sums;
  return {
    not_due: minor(not_due),
    d1_30: minor(d1_30),
    d31_60: minor(d31_60),
    d61_90: minor(d61_90),
    over_90: minor(over_90),
    total: minor(not_due + d1_30 + d31_60 + d61_90 + over_90)
  };
}
function spansOf(edges, by) {
  const spans = by === "due" ? [{ from: null, to: 0, words: "not due" }] : [];
  edges.forEach((edge, at) => {
    const before = edges[at - 1];
    if (by === "issued" && before === void 0)
      spans.push({ from: null, to: edge, words: `up to ${edge} days` });
    else
      spans.push({
        from: (before ?? 0) + 1,
        to: edge,
        words: `${(before ?? 0) + 1} to ${edge}${at === 0 ? " days" : ""}`
      });
  });
  const last = edges.at(-1) ?? 0;
  return [...spans, { from: last + 1, to: null, words: `over ${last}` }];
}
function spanOf(spans, days) {
  return spans.findIndex(
    ({ from, to }) => (from === null || days >= from) && (to === null || days <= to)
  );
}

// src/core/metrics/doubtful.ts
var DOUBTFUL_PERCENT = {
  not_due: "1",
  d1_30: "3",
  d31_60: "10",
  d61_90: "25",
  over_90: "50"
};
function allowanceFor(aging, percent = DOUBTFUL_PERCENT) {
  const of = (bucket) => {
    const ratio = ratioOf(percent[bucket]);
    return ratio.ok && aging[bucket] > 0 ? percentOf(aging[bucket], ratio.value, "half-even") : add(0);
  };
  const byBucket = {
    not_due: of("not_due"),
    d1_30: of("d1_30"),
    d31_60: of("d31_60"),
    d61_90: of("d61_90"),
    over_90: of("over_90")
  };
  return { byBucket, sum: add(...BUCKETS.map((bucket) => byBucket[bucket])) };
}

export {
  BUCKETS,
  agingOf,
  totalAging,
  spansOf,
  spanOf,
  DOUBTFUL_PERCENT,
  allowanceFor
};
