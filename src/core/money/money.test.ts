import codes from "currency-codes";
import Decimal from "decimal.js";
import fc from "fast-check";

import {
  LARGEST_SUM,
  add,
  allCurrencies,
  currencyOf,
  formatAmount,
  formatMoney,
  minor,
  minorDigits,
  mulDiv,
  parseAmount,
  percentOf,
  ratioOf,
  split,
  sumOf,
  toDecimal,
  type Currency,
} from ".";
import { withoutSigns } from "./text";

const currency = (code: string): Currency => currencyOf(code) as Currency;
const USD = currency("USD");

describe("currencies (ISO 4217; the package currency-codes is an independent copy of its list)", () => {
  it.each(
    codes.data.filter(({ code }) => currencyOf(code)).map(({ code, digits }) => [code, digits]),
  )("%s has %i minor digits", (code, digits) => {
    expect(minorDigits(currency(code))).toBe(digits);
  });
  it("knows nearly every code of the list, and no other", () => {
    const listed = new Set(codes.codes());
    expect(
      allCurrencies().filter((code) => !listed.has(code) && !["XCG", "ZWG"].includes(code)),
    ).toEqual([]);
    expect(allCurrencies().length).toBeGreaterThan(150);
    expect([currencyOf("usd "), currencyOf("US"), currencyOf("ABC")]).toEqual([
      "USD",
      undefined,
      undefined,
    ]);
  });
});

describe("rounding", () => {
  // IEEE 754-2008, roundTiesToEven; values from memory.
  it.each([
    [125, 10, 12],
    [135, 10, 14],
    [25, 10, 2],
    [-25, 10, -2],
    [35, 10, 4],
    [-35, 10, -4],
  ])("half-even: %i / %i = %i", (top, bottom, expected) => {
    expect(mulDiv(top, 1, bottom, "half-even")).toBe(expected);
  });
  it("agrees with decimal.js in every mode, negative sums too", () => {
    const modes = {
      "half-even": Decimal.ROUND_HALF_EVEN,
      "half-up": Decimal.ROUND_HALF_UP,
      down: Decimal.ROUND_DOWN,
      up: Decimal.ROUND_UP,
    } as const;
    const names = Object.keys(modes) as (keyof typeof modes)[];
    fc.assert(
      fc.property(
        fc.integer({ min: -1e12, max: 1e12 }),
        fc.integer({ min: 0, max: 100_000 }),
        fc.integer({ min: 1, max: 100_000 }),
        fc.constantFrom(...names),
        (amount, numerator, denominator, mode) => {
          const wanted = new Decimal(amount)
            .times(numerator)
            .div(denominator)
            .toDecimalPlaces(0, modes[mode]);
          fc.pre(wanted.abs().lte(Number.MAX_SAFE_INTEGER));
          expect(mulDiv(amount, numerator, denominator, mode)).toBe(wanted.toNumber() + 0);
        },
      ),
    );
  });
  it("takes a card fee of 2.9 % (common practice, no source)", () => {
    const rate = ratioOf("2.9");
    expect(rate.ok && percentOf(10_000, rate.value, "half-even")).toBe(290);
    expect(ratioOf("2,9").ok).toBe(false);
  });
  it("refuses what is no whole number of minor units", () => {
    expect(() => minor(0.5)).toThrow(RangeError);
    expect(() => mulDiv(1, 1, 0, "down")).toThrow(RangeError);
    expect(() => add(Number.MAX_SAFE_INTEGER, 1)).toThrow(RangeError);
  });
});

describe("split", () => {
  it("keeps the sum, differs from the exact share by less than one unit, and favours the earlier on a tie", () => {
    expect(split(100, [1, 1, 1])).toEqual([34, 33, 33]);
    fc.assert(
      fc.property(
        fc.integer({ min: -1e9, max: 1e9 }),
        fc.array(fc.integer({ min: 0, max: 1e6 }), { minLength: 1, maxLength: 12 }),
        (amount, weights) => {
          const parts = split(amount, weights);
          expect(sumOf(parts, (part) => part)).toBe(amount);
          const all = weights.reduce((sum, weight) => sum + weight, 0);
          if (all > 0)
            parts.forEach((part, at) =>
              expect(Math.abs(part - (amount * (weights[at] ?? 0)) / all)).toBeLessThan(1.001),
            );
        },
      ),
    );
  });
});

describe("amounts as people write them", () => {
  it.each<[string, "." | ",", number]>([
    ["1,234.56", ".", 123456],
    ["1.234,56", ",", 123456],
    ["(12.00)", ".", -1200],
    ["12.00-", ".", -1200],
    ["-$ 12", ".", -1200],
    ["USD 12.5", ".", 1250],
    ["1 234,50 €", ",", 123450],
    ["0.10", ".", 10],
    [".5", ".", 50],
    ["12.500", ".", 1250],
    ["+3.00", ".", 300],
    ["1'234.00", ".", 123400],
  ])("%s with mark %s", (text, mark, expected) => {
    expect(parseAmount(text, mark, USD)).toEqual({ ok: true, value: expected });
  });
  it.each<[string, "." | ",", string]>([
    ["", ".", "amount.empty"],
    ["twelve", ".", "amount.unreadable"],
    ["1.234,56", ".", "amount.mark"],
    ["1,23", ".", "amount.mark"],
    ["1.005", ".", "amount.digits"],
    ["10000000000.01", ".", "amount.large"],
    ["99999999999999999", ".", "amount.large"],
    ["12,34,567.00", ".", "amount.mark"],
  ])("%s with mark %s is refused", (text, mark, code) => {
    const read = parseAmount(text, mark, USD);
    expect(!read.ok && read.error.code).toBe(code);
  });
  it.each<[string, "." | ",", number]>([
    // Groups of three by commas, points, spaces of two kinds and apostrophes; more than one group.
    ["1,234,567.89", ".", 123_456_789],
    ["12,345.6", ".", 1_234_560],
    ["123,456", ".", 12_345_600],
    ["12 345 678.90", ".", 1_234_567_890],
    ["123\u00a0456.00", ".", 12_345_600],
    ["1’234’567.00", ".", 123_456_700],
    ["1.234.567,89", ",", 123_456_789],
    ["12.345,6", ",", 1_234_560],
    ["123.456", ",", 12_345_600],
    ["12 345 678,90", ",", 1_234_567_890],
    ["123'456,00", ",", 12_345_600],
    ["1234567,5", ",", 123_456_750],
    ["1234567", ",", 123_456_700],
    [",75", ",", 75],
    ["5,", ",", 500],
    ["5.", ".", 500],
    // Zeros behind what the currency has say nothing.
    ["12.50000", ".", 1250],
    ["12.0", ".", 1200],
    // Signs of both kinds, in front, behind, and around.
    ["−12.00", ".", -1200],
    ["12.00−", ".", -1200],
    ["$ -12.00", ".", -1200],
    ["-0.05", ".", -5],
    ["(0,05)", ",", -5],
    ["99999999.99", ".", 9_999_999_999],
    ["123456789.00", ".", 12_345_678_900],
    ["  7.25  ", ".", 725],
  ])("%j with mark %s is read", (text, mark, expected) =>
    expect(parseAmount(text, mark, USD)).toEqual({ ok: true, value: expected }),
  );
  it.each<[string, "." | ",", object]>([
    ["", ".", { code: "amount.empty" }],
    ["   ", ",", { code: "amount.empty" }],
    [".", ".", { code: "amount.mark", text: ".", mark: "." }],
    ["USD", ".", { code: "amount.unreadable", text: "USD", mark: "." }],
    ["(12.00", ".", { code: "amount.unreadable", text: "(12.00", mark: "." }],
    ["12.00)", ".", { code: "amount.unreadable", text: "12.00)", mark: "." }],
    ["12x34", ".", { code: "amount.unreadable", text: "12x34", mark: "." }],
    ["x12.00", ".", { code: "amount.unreadable", text: "x12.00", mark: "." }],
    ["12.00x", ".", { code: "amount.unreadable", text: "12.00x", mark: "." }],
    ["1.234", ",", { code: "ok" }],
    ["1.23", ",", { code: "amount.mark", text: "1.23", mark: "," }],
    ["1234.567,00", ",", { code: "amount.mark", text: "1234.567,00", mark: "," }],
    ["1,2345.00", ".", { code: "amount.mark", text: "1,2345.00", mark: "." }],
    ["12 34.00", ".", { code: "amount.unreadable", text: "12 34.00", mark: "." }],
    [" 12.345 ", ".", { code: "amount.digits", text: "12.345", currency: "USD", digits: 2 }],
    ["10000000000.01", ".", { code: "amount.large", text: "10000000000.01" }],
    ["1".repeat(61), ".", { code: "amount.unreadable", text: `${"1".repeat(20)} …`, mark: "." }],
    ["1".repeat(60), ".", { code: "amount.large", text: "1".repeat(60) }],
  ])("%j with mark %s is told what is wrong with it", (text, mark, expected) => {
    const read = parseAmount(text, mark, USD);
    expect(read.ok ? { code: "ok" } : read.error).toEqual(expected);
  });
  it("has as many digits as its currency, plain or not", () => {
    const [yen, dinar] = [currency("JPY"), currency("KWD")];
    expect(
      (
        [
          ["1,234", yen],
          ["12.0", yen],
          ["12.5", yen],
          ["1.234", dinar],
          ["1.2", dinar],
          ["1.2345", dinar],
        ] as const
      ).map(([text, of]) => {
        const read = parseAmount(text, ".", of);
        return read.ok ? read.value : read.error.code;
      }),
    ).toEqual([1234, 12, "amount.digits", 1234, 1200, "amount.digits"]);
    expect([
      toDecimal(-5, USD),
      toDecimal(0, USD),
      toDecimal(123_456, USD),
      toDecimal(-12, yen),
      toDecimal(0, yen),
      toDecimal(7, dinar),
    ]).toEqual(["-0.05", "0.00", "1234.56", "-12", "0", "0.007"]);
  });
  it("is shown with its currency where that is not the book's", () => {
    const EUR = currency("EUR");
    expect([
      formatMoney(10_000, EUR, USD),
      formatMoney(-10_000, USD, USD),
      formatAmount(0, USD),
      formatAmount(0, USD, { dash: false }),
      formatAmount(5, USD, { dash: true }),
      formatAmount(-5, USD, { dash: true }),
      formatAmount(100_000, USD),
      formatAmount(99_999, USD),
    ]).toEqual(["EUR 100.00", "(100.00)", "0.00", "0.00", "0.05", "(0.05)", "1,000.00", "999.99"]);
  });
  it("reads back what it writes, in every currency", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -LARGEST_SUM, max: LARGEST_SUM }),
        fc.constantFrom("USD", "JPY", "KWD", "CLF"),
        (amount, code) => {
          expect(parseAmount(toDecimal(amount, currency(code)), ".", currency(code))).toEqual({
            ok: true,
            value: amount,
          });
          expect(parseAmount(formatAmount(amount, currency(code)), ".", currency(code))).toEqual({
            ok: true,
            value: amount,
          });
        },
      ),
    );
  });
  it("shows sums by the conventions of accounting", () => {
    expect([
      formatAmount(-128450, USD),
      formatAmount(0, USD, { dash: true }),
      formatAmount(123456789012, USD),
      formatAmount(1500, currency("JPY")),
    ]).toEqual(["(1,284.50)", "–", "1,234,567,890.12", "1,500"]);
  });
});

describe("a sum that comes from outside", () => {
  const usd = currencyOf("USD") as Currency;
  it("is at most a million million of its smallest unit", () => {
    expect(parseAmount("10,000,000,000.00", ".", usd)).toEqual({ ok: true, value: LARGEST_SUM });
    expect(parseAmount("-10000000000.01", ".", usd)).toMatchObject({
      error: { code: "amount.large" },
    });
  });
  it("is not looked at for long, however many spaces, signs or letters it has", () => {
    for (const piece of [" ", "(", "-", "− ", "$", "USD ", "0", "1,", "1 ", ")"])
      for (const around of [
        [piece.repeat(2000), "x"],
        ["x", piece.repeat(2000)],
        [piece.repeat(2000), "1.00"],
        ["1.00", piece.repeat(2000)],
      ]) {
        const text = around.join("");
        const read = parseAmount(text, ".", usd);
        expect(read.ok ? text.trim().length < 61 : true).toBe(true);
      }
  });
  it("is bared in one pass of what the pattern took off that looked at it all at once", () => {
    // The slow reading: right, yet cubic in the spaces around a sum.
    const slowly = (text: string): string =>
      text
        .replace(/^[\s(+\-−]*(?:[A-Z]{3}\b)?[\s(+\-−]*[$€£¥]?[\s+\-−]*/, "")
        .replace(/[\s)\-−]*(?:[A-Z]{3}|[$€£¥])?[\s)\-−]*$/, "");
    const pieces = fc.constantFrom(..."1 20 .50 ( ) - − + $ € USD A".split(" "), " ");
    fc.assert(
      fc.property(fc.array(pieces, { maxLength: 9 }), (some) =>
        expect(withoutSigns(some.join(""))).toBe(slowly(some.join(""))),
      ),
      { numRuns: 20_000 },
    );
  });
  it("reads every way of writing signs and currencies around it as before", () => {
    for (const [text, value] of [
      ["$ 1 234.50", 123_450],
      ["USD 12", 1200],
      ["12 USD", 1200],
      ["12.00-", -1200],
      ["(USD 12.00)", -1200],
      ["-$12.00", -1200],
      ["12.00 $", 1200],
      ["USD-12.00", -1200],
    ] as const)
      expect([text, parseAmount(text, ".", usd)]).toEqual([text, { ok: true, value }]);
  });
});
