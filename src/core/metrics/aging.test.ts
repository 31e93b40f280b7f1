import fc from "fast-check";

import { addDays, day } from "@/core/calendar";

import { agingOf, BUCKETS, bucketOf, totalAging } from ".";

const TODAY = day("2026-11-24");

describe("aging (buckets: common practice, no source)", () => {
  it.each([[0, "not_due"], [-5, "not_due"], [1, "d1_30"], [30, "d1_30"], [31, "d31_60"], [60, "d31_60"], [61, "d61_90"], [90, "d61_90"], [91, "over_90"]])("%i days past the due day stands in %s", (days, bucket) => {
    expect(bucketOf(addDays(TODAY, -days), TODAY)).toBe(bucket);
  });
  it("keeps every sum: the buckets come to the total, the customers to the whole", () => {
    const item = fc.record({ dueOn: fc.integer({ min: -200, max: 60 }).map((days) => addDays(TODAY, days)), balance: fc.integer({ min: -1e8, max: 1e8 }) });
    fc.assert(fc.property(fc.array(fc.array(item, { maxLength: 10 }), { maxLength: 6 }), (customers) => {
      const agings = customers.map((items) => agingOf(items, TODAY));
      for (const aging of agings) expect(BUCKETS.reduce((sum, bucket) => sum + aging[bucket], 0)).toBe(aging.total);
      expect(totalAging(agings)).toEqual(agingOf(customers.flat(), TODAY));
    }));
  });
});
