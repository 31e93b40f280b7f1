import {
  add,
  type Currency,
  convert,
  convertBack,
  currencyOf,
  inCurrency,
  minor,
  mulDiv,
  negate,
  ownRate,
  percentOf,
  type Ratio,
  ratioOf,
  type Rounding,
  split,
} from ".";

const currency = (code: string): Currency => currencyOf(code) as Currency;
const ratio = (text: string): Ratio => {
  const read = ratioOf(text);
  if (!read.ok) throw new Error(text);
  return read.value;
};

describe("whole numbers of the smallest unit", () => {
  it("add and turn round, and nothing is ever minus zero", () => {
    expect([add(), add(5), add(5, 7, -20)]).toEqual([0, 5, -8]);
    expect([negate(5), negate(-5)]).toEqual([-5, 5]);
    expect(Object.is(negate(0), 0)).toBe(true);
  });
  it("say what is wrong with what is none", () =>
    expect(() => minor(1.5)).toThrow("an amount must be a safe integer of minor units"));
});

describe("rates as decimal text", () => {
  it.each<[string, Ratio]>([
    ["2.9", { numerator: 29n, denominator: 10n }],
    ["-0.305", { numerator: -305n, denominator: 1000n }],
    ["17", { numerator: 17n, denominator: 1n }],
    ["0", { numerator: 0n, denominator: 1n }],
    [" 12.75 ", { numerator: 1275n, denominator: 100n }],
  ])("%j is exact", (text, expected) =>
    expect(ratioOf(text)).toEqual({ ok: true, value: expected }),
  );
  it.each(["", "2,9", ".5", "5.", "1.2.3", "+1", "1e3", "x2", "2x"])("%j is none", (text) =>
    expect(ratioOf(text)).toEqual({ ok: false, error: { code: "rate.unreadable", text } }),
  );
});

describe("a quotient becomes a whole number", () => {
  // A table by hand: quotient in halves and quarters, each way of rounding, both signs.
  it.each<[number, number, Record<Rounding, number>]>([
    [0, 4, { down: 0, up: 0, "half-up": 0, "half-even": 0 }],
    [1, 4, { down: 0, up: 1, "half-up": 0, "half-even": 0 }],
    [2, 4, { down: 0, up: 1, "half-up": 1, "half-even": 0 }],
    [3, 4, { down: 0, up: 1, "half-up": 1, "half-even": 1 }],
    [4, 4, { down: 1, up: 1, "half-up": 1, "half-even": 1 }],
    [5, 4, { down: 1, up: 2, "half-up": 1, "half-even": 1 }],
    [6, 4, { down: 1, up: 2, "half-up": 2, "half-even": 2 }],
    [10, 4, { down: 2, up: 3, "half-up": 3, "half-even": 2 }],
    [-2, 4, { down: 0, up: -1, "half-up": -1, "half-even": 0 }],
    [-3, 4, { down: 0, up: -1, "half-up": -1, "half-even": -1 }],
    [-6, 4, { down: -1, up: -2, "half-up": -2, "half-even": -2 }],
    [6, -4, { down: -1, up: -2, "half-up": -2, "half-even": -2 }],
    [-6, -4, { down: 1, up: 2, "half-up": 2, "half-even": 2 }],
    [0, -4, { down: 0, up: 0, "half-up": 0, "half-even": 0 }],
  ])("%d / %d", (top, bottom, expected) => {
    for (const [rounding, value] of Object.entries(expected))
      expect([rounding, mulDiv(top, 1, bottom, rounding as Rounding)]).toEqual([rounding, value]);
  });
  it("refuses to divide by nothing, and says so", () => {
    expect(() => mulDiv(1, 1, 0, "down")).toThrow("division by zero");
    expect(() => mulDiv(1, 1, 0n, "up")).toThrow(RangeError);
  });
  it("takes a percentage of a sum, of a negative one too", () => {
    const fee = ratio("2.9");
    expect([
      percentOf(12_345, fee, "half-even"),
      percentOf(-12_345, fee, "half-even"),
      percentOf(12_345, fee, "up"),
      percentOf(12_345, fee, "down"),
    ]).toEqual([358, -358, 359, 358]);
  });
});

describe("a split", () => {
  it.each<[string, number, number[], number[]]>([
    ["a tie goes to the earlier", 100, [1, 1, 1], [34, 33, 33]],
    ["two cents over go to the two earlier", 101, [1, 1, 1], [34, 34, 33]],
    ["three equal rests, two cents over", 10, [1, 1, 4], [2, 2, 6]],
    ["a larger rest before an earlier place", 100, [333, 333, 334], [33, 33, 34]],
    ["rests in falling order", 7, [5, 3, 1], [4, 2, 1]],
    ["rests in rising order", 7, [1, 3, 5], [1, 2, 4]],
    ["a negative sum like its mirror", -100, [1, 1, 1], [-34, -33, -33]],
    ["nothing to split", 0, [1, 2], [0, 0]],
    ["all to the first where no weight counts", 70, [0, 0, 0], [70, 0, 0]],
    ["a weight of nothing gets nothing", 100, [0, 3], [0, 100]],
    ["one part", 77, [5], [77]],
    ["no part", 77, [], []],
  ])("%s", (_case, amount, weights, expected) => expect(split(amount, weights)).toEqual(expected));
});

describe("sums in other currencies", () => {
  const [USD, EUR, JPY, KWD, CAD] = ["USD", "EUR", "JPY", "KWD", "CAD"].map(currency) as [
    Currency,
    Currency,
    Currency,
    Currency,
    Currency,
  ];
  type Case = [amount: number, from: Currency, to: Currency, rate: string, expected: number];
  it.each<[Case]>(
    (
      [
        [10_000, EUR, USD, "1.0834", 10_834],
        [5000, JPY, USD, "0.0067", 3350],
        [3350, USD, JPY, "149.25", 5000],
        [1000, KWD, USD, "3.25", 325],
        [325, USD, KWD, "0.3077", 1000],
        [-10_000, EUR, USD, "1.0834", -10_834],
        // Half to even: 0.005 becomes nothing, 0.015 two cents.
        [1, EUR, USD, "0.5", 0],
        [3, EUR, USD, "0.5", 2],
      ] as Case[]
    ).map((one) => [one]),
  )("%j", ([amount, from, to, rate, expected]) => {
    expect(convert(amount, from, to, ratio(rate))).toBe(expected);
    expect(inCurrency(amount, from, to, rate)).toBe(expected);
  });
  it("are none at a rate that cannot be read", () =>
    expect(inCurrency(100, EUR, USD, "one")).toBeNull());
  it("find the way back, and the rate at which one became the other", () => {
    expect(convertBack(2500, USD, CAD, ratio("0.72"))).toBe(3472);
    expect(convertBack(3350, USD, JPY, ratio("0.0067"))).toBe(5000);
    expect(ownRate(10_712, USD, 10_000, EUR)).toBe("1.07120");
    expect(ownRate(3350, USD, 5000, JPY)).toBe("0.00670");
    expect(ownRate(1000, KWD, 325, USD)).toBe("0.30769");
  });
});
