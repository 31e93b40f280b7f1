import fc from "fast-check";

import { offInWords, whatIsOff } from ".";

describe("what explains that a document and its entries differ", () => {
  it.each<[number, number, string]>([
    [0, 6000, "missing"],
    [6000, 0, "left"],
    [6000, -6000, "sign"],
    [6000, 12_000, "twice"],
    [86_450, 68_450, "digits"],
    [86_450, 86_405, "digits"],
    [86_450, 86_451, "other"],
    [-8645, -8654, "digits"],
    [12_000, 6000, "twice"],
    [6000, 18_000, "other"],
    // Divisible by 9, and no swap of neighbours: too long, too far apart, two swaps, one digit else.
    [12, 102, "other"],
    [1234, 4231, "other"],
    [1234, 2143, "other"],
    [1236, 2145, "other"],
    [12_345, 12_354, "digits"],
    [1111, 1111, "other"],
    [1234, 1270, "other"],
    [1255, 1264, "other"],
    [21_345, 12_354, "other"],
  ])("%i in the journal, %i by the document: %s", (journal, documents, reason) =>
    expect(whatIsOff(journal, documents)).toBe(reason),
  );
  // Bookkeepers' rule: a swap of neighbouring digits changes a number by a multiple of 9 (common practice, no source).
  it("sees every swap of neighbouring digits", () => {
    fc.assert(
      fc.property(fc.integer({ min: 100, max: 99_999_999 }), fc.nat(6), (sum, place) => {
        const digits = [...String(sum)];
        const at = place % (digits.length - 1);
        [digits[at], digits[at + 1]] = [digits[at + 1]!, digits[at]!];
        const other = Number(digits.join(""));
        fc.pre(other !== sum && digits[0] !== "0" && other !== 2 * sum && sum !== 2 * other);
        expect([whatIsOff(sum, other), (sum - other) % 9 === 0]).toEqual(["digits", true]);
      }),
    );
  });
  it("says it in words", () =>
    expect(
      (["missing", "left", "sign", "digits", "twice", "other"] as const).map(offInWords),
    ).toEqual([
      "no entry stands for it",
      "its entries stand, but it has let go of the sum",
      "its sign is turned",
      "two digits have changed places",
      "it counts twice on one side",
      "nothing simple explains it: look at its entries one by one",
    ]));
});
