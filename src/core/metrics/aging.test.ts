import fc from "fast-check";

import { addDays, day } from "@/core/calendar";

import { agingOf, BUCKETS, bucketOf, spanOf, spansOf, totalAging } from ".";

const TODAY = day("2026-11-24");

describe("aging (buckets: common practice, no source)", () => {
  it.each([
    [0, "not_due"],
    [-5, "not_due"],
    [1, "d1_30"],
    [30, "d1_30"],
    [31, "d31_60"],
    [60, "d31_60"],
    [61, "d61_90"],
    [90, "d61_90"],
    [91, "over_90"],
  ])("%i days past the due day stands in %s", (days, bucket) => {
    expect(bucketOf(addDays(TODAY, -days), TODAY)).toBe(bucket);
  });
  it("keeps every sum: the buckets come to the total, the customers to the whole", () => {
    const item = fc.record({
      dueOn: fc.integer({ min: -200, max: 60 }).map((days) => addDays(TODAY, days)),
      balance: fc.integer({ min: -1e8, max: 1e8 }),
    });
    fc.assert(
      fc.property(fc.array(fc.array(item, { maxLength: 10 }), { maxLength: 6 }), (customers) => {
        const agings = customers.map((items) => agingOf(items, TODAY));
        for (const aging of agings)
          expect(BUCKETS.reduce((sum, bucket) => sum + aging[bucket], 0)).toBe(aging.total);
        expect(totalAging(agings)).toEqual(agingOf(customers.flat(), TODAY));
      }),
    );
  });
});

describe("an aging in steps of one's own", () => {
  const edges = fc
    .uniqueArray(fc.integer({ min: 1, max: 400 }), { minLength: 1, maxLength: 8 })
    .map((days) => days.sort((a, b) => a - b));
  it("has every age in exactly one column, and the columns in the order of age", () => {
    fc.assert(
      fc.property(
        edges,
        fc.constantFrom("due" as const, "issued" as const),
        fc.integer({ min: -60, max: 900 }),
        (days, by, age) => {
          const spans = spansOf(days, by);
          const holding = spans.filter(
            ({ from, to }) => (from === null || age >= from) && (to === null || age <= to),
          );
          expect(holding).toEqual([spans[spanOf(spans, age)]]);
          expect(spanOf(spans, age + 1)).toBeGreaterThanOrEqual(spanOf(spans, age));
          expect(spans).toHaveLength(days.length + (by === "due" ? 2 : 1));
        },
      ),
    );
  });
  it("with the usual edges is the usual aging", () => {
    const spans = spansOf([30, 60, 90], "due");
    for (let age = -40; age <= 120; age += 1)
      expect(BUCKETS[spanOf(spans, age)]).toBe(bucketOf(addDays(TODAY, -age), TODAY));
    expect(spans.map(({ words }) => words)).toEqual([
      "not due",
      "1 to 30 days",
      "31 to 60",
      "61 to 90",
      "over 90",
    ]);
  });
});
