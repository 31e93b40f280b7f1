import fc from "fast-check";

import { minor, sumOf } from "@/core/money";

import { askedSum, isWithin, limitsFor, type SettledPart } from "./index";

const part = (amount: number, isWhole = true, itemId = 1): SettledPart => ({
  itemId,
  amount: minor(amount),
  isWhole,
});
const RULES = { surchargePercent: "3", savingPercent: "0.5" };

describe("the sum that is asked for", () => {
  it.each<[string, SettledPart[], "card" | "bank", number, number]>([
    ["a card costs on top of all", [part(10_000), part(2_350, true, 2)], "card", 370, 12_720],
    ["the surcharge is rounded once, half to even", [part(50), part(100, true, 2)], "card", 4, 154],
    ["an account saves on what is paid whole", [part(10_000)], "bank", 0, 9_950],
    ["and nothing on a part", [part(4_000, false)], "bank", 0, 4_000],
    ["each saving is rounded by itself", [part(100), part(300, true, 2)], "bank", 0, 398],
  ])("%s", (_, parts, way, ...[surcharge, sum]) => {
    expect(askedSum(parts, way, RULES)).toMatchObject({ surcharge, sum });
  });

  it("is what the items are settled for where nothing is on top or saved", () => {
    const none = { surchargePercent: null, savingPercent: null };
    for (const way of ["card", "bank"] as const)
      expect(askedSum([part(10_001), part(7, false, 2)], way, none).sum).toBe(10_008);
  });

  it("always foots: settled + on top - saved, and no saving is over its item", () => {
    const parts = fc.array(
      fc.record({
        itemId: fc.integer({ min: 1 }),
        amount: fc.integer({ min: 1, max: 99_999_999_999 }).map(minor),
        isWhole: fc.boolean(),
      }),
      { minLength: 1, maxLength: 20 },
    );
    const percent = fc.option(fc.integer({ min: 0, max: 99_999 }).map((n) => String(n / 1000)));
    fc.assert(
      fc.property(
        parts,
        fc.constantFrom("card", "bank"),
        percent,
        percent,
        (items, way, on, off) => {
          const rules = { surchargePercent: on, savingPercent: off };
          const { savings, surcharge, sum } = askedSum(items, way as "card", rules);
          expect(sum).toBe(
            sumOf(items, ({ amount }) => amount) + surcharge - sumOf(savings, (s) => s),
          );
          items.forEach(({ amount }, at) => expect(savings[at]).toBeLessThanOrEqual(amount));
        },
      ),
    );
  });
});

describe("a sum of one's own", () => {
  const limits = (from: number, to: number | null) => ({
    from: minor(from),
    to: to === null ? null : minor(to),
  });
  it.each<[number, number | null, number, number, boolean]>([
    [500, null, 10_000, 500, true],
    [500, null, 10_000, 499, false],
    [500, null, 10_000, 10_001, false],
    // The last rest may be below the smallest sum: it is paid whole.
    [500, null, 300, 300, true],
    [500, null, 300, 299, false],
    [500, 800, 10_000, 801, false],
    // Fixed; and less where less is open.
    [700, 700, 10_000, 700, true],
    [700, 700, 10_000, 699, false],
    [700, 700, 650, 650, true],
  ])("from %i to %p of %i open: %i is %p", (from, to, open, ...[sum, holds]) => {
    expect(isWithin(minor(sum), limits(from, to), minor(open))).toBe(holds);
  });
  it("is at most what is open", () => {
    expect(limitsFor(limits(500, null), minor(300))).toEqual({ from: 300, to: 300 });
  });
});
