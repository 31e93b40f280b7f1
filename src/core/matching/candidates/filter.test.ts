import fc from "fast-check";

import { type Currency, currencyOf, minor } from "@/core/money";

import { filterItems, type Listed } from "./filter";

const USD = currencyOf("USD") as Currency;
const item = (
  itemId: number,
  number: string,
  cents: number,
  more: Partial<Listed> = {},
): Listed => ({
  itemId,
  number,
  customer: "Alder Lane Pottery School",
  description: "",
  open: minor(cents),
  ...more,
});
const ITEMS = [
  item(1, "20401", 54_000),
  item(2, "20402", 12_500, { description: "Kiln plan" }),
  item(3, "20403", 54_000, { customer: "Brightwater North Campus" }),
  item(4, "20404", 41_500),
  item(5, "CN-9", -1000),
];
const filter = (text: string, left = 0): { ids: readonly number[]; sets: number[][] } => {
  const { ids, sets } = filterItems(ITEMS, text, minor(left), USD);
  return { ids, sets: sets.map((set) => [...set.ids].sort((a, b) => a - b)) };
};

describe("open items, filtered by what a clerk types", () => {
  it.each([
    ["", [1, 2, 3, 4, 5]],
    ["  ", [1, 2, 3, 4, 5]],
    ["204", [1, 2, 3, 4]],
    ["kiln", [2]],
    ["BRIGHT", [3]],
    ["cn-", [5]],
    ["nobody", []],
    ["> 500", [1, 3]],
    [">540", []],
    ["< 0", [5]],
    ["<125.01", [2, 5]],
    ["100 - 420", [2, 4]],
    ["100 to 125", [2]],
    ["125-415", [2, 4]],
  ])("“%s” lets through %j", (text, ids) => expect(filter(text).ids).toEqual(ids));

  it("a sum finds the items of it, and the sets of several that make it", () => {
    expect(filter("540")).toEqual({ ids: [1, 3], sets: [[2, 4]] });
    expect(filter("540.00").ids).toEqual([1, 3]);
    const { ids, sets } = filter("1,080");
    expect([ids, sets.map((set) => set.join()).sort()]).toEqual([[], ["1,2,4", "1,3", "2,3,4"]]);
  });
  it("“=” finds what makes the sum that is left over", () => {
    expect(filter("=", 41_500).ids).toEqual([4]);
    expect(filter("=", 53_999)).toEqual({ ids: [], sets: [] });
  });
  it("a number that is a sum as well shows both", () => {
    const both = [item(1, "540", 100), item(2, "X", 54_000)];
    expect([...filterItems(both, "540", minor(0), USD).ids].sort()).toEqual([1, 2]);
  });
  it("sets always come to the sum, of different items that are open", () => {
    const sums = fc.array(fc.integer({ min: 1, max: 40 }), { minLength: 1, maxLength: 9 });
    fc.assert(
      fc.property(sums, fc.integer({ min: 1, max: 120 }), (cents, wanted) => {
        const items = cents.map((open, at) => item(at + 1, `N${at}`, open * 100));
        const { sets } = filterItems(items, String(wanted), minor(0), USD);
        return sets.every(({ ids, sum }) => {
          const open = ids.map((id) => items.find(({ itemId }) => itemId === id)?.open ?? 0);
          const total = open.reduce<number>((so, each) => so + each, 0);
          return sum === wanted * 100 && total === sum && new Set(ids).size === ids.length;
        });
      }),
    );
  });
});
