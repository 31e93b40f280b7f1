import fc from "fast-check";

import { currencyOf, type Currency, minor } from "@/core/money";

import { calculate, decimalOf, decimalText, lineAmount, rateFor } from ".";

const USD = currencyOf("USD") as Currency;
const EUR = currencyOf("EUR") as Currency;

describe("quantity, rate and amount: two of them give the third", () => {
  it("a rate of at most six decimals that makes the amount, or none", () => {
    expect(rateFor(minor(1000), { units: 3n, places: 0 }, USD)).toEqual({
      units: 3_333_333n,
      places: 6,
    });
    expect(rateFor(minor(1), { units: 0n, places: 0 }, USD)).toBeNull();
    // 999,999,999 pieces for a cent: no rate of six decimals makes it.
    expect(rateFor(minor(1), { units: 999_999_999n, places: 0 }, USD)).toBeNull();
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 1e7 }),
        fc.integer({ min: 1, max: 9999 }),
        (amount, quantity) => {
          const rate = rateFor(minor(amount), { units: BigInt(quantity), places: 2 }, EUR);
          if (rate)
            expect(
              lineAmount(
                {
                  quantity: String(quantity / 100),
                  rate: decimalText(rate),
                  discountPercent: null,
                  taxCode: null,
                },
                EUR,
              ),
            ).toEqual({
              ok: true,
              value: amount,
            });
        },
      ),
    );
  });
});

describe("numbers as they are typed", () => {
  it.each([
    ["24.25*5000", "121250"],
    ["1/3", "0.333333"],
    ["2/3", "0.666667"],
    ["-2/3", "-0.666667"],
    ["(1 + 2) * 3 - 4/2", "7"],
    ["2*-3", "-6"],
    ["--5", "5"],
    [".5+5.", "5.5"],
    ["12.500", "12.5"],
    ["1-2-3", "-4"],
    ["8/4/2", "1"],
  ])("%s is %s", (text, value) => {
    const read = calculate(text);
    expect(read.ok && decimalText(read.value)).toBe(value);
  });
  it.each([
    "",
    "1+",
    "(1",
    "1)",
    "1/0",
    "2 x 3",
    "1,5",
    "a",
    "*2",
    "1".repeat(101),
    "((((",
    "1..2",
    "5 5 +",
  ])("“%s” is none", (text) => expect(calculate(text).ok).toBe(false));
  it("agrees with a plain evaluation of whole numbers", () => {
    const expression = fc.letrec<{ any: string }>((tie) => ({
      any: fc.oneof(
        { maxDepth: 3 },
        fc.integer({ min: 0, max: 99 }).map(String),
        fc
          .tuple(tie("any"), fc.constantFrom("+", "-", "*"), tie("any"))
          .map(([a, op, b]) => `(${a}${op}${b})`),
      ),
    })).any;
    fc.assert(
      fc.property(expression, (text) => {
        fc.pre(text.length <= 100);
        const read = calculate(text);
        // The text holds digits, signs and parentheses alone: it is made above.
        expect(read.ok && decimalText(read.value)).toBe(
          String(Number(new Function(`return ${text}`)()) + 0),
        );
      }),
    );
  });
  it("a decimal is read and written as it is", () => {
    fc.assert(
      fc.property(
        fc.bigInt({ min: -(10n ** 17n), max: 10n ** 17n }),
        fc.nat(6),
        (units, places) => {
          const text = decimalText({ units, places });
          const read = decimalOf(text);
          if (read.ok) expect(decimalText(read.value)).toBe(text);
        },
      ),
    );
    expect(decimalOf("0.1234560000")).toEqual({ ok: true, value: { units: 123_456n, places: 6 } });
    expect(decimalOf("1e5").ok).toBe(false);
  });
});
