import fc from "fast-check";

import { whatIsOff } from ".";

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
});
