import fc from "fast-check";

import { passesLuhn, withoutCardNumbers } from ".";

describe("card numbers in what people write", () => {
  // ISO/IEC 7812-1, annex B; values from memory.
  it.each([
    ["79927398713", true],
    ["79927398710", false],
    ["4111111111111111", true],
    ["", false],
  ])("the check digit of %s holds: %s", (digits, holds) => expect(passesLuhn(digits)).toBe(holds));
  it.each([
    ["a card number", "paid with 4111111111111111 thanks", "paid with ending in 1111 thanks"],
    ["in groups", "card 4111 1111 1111 1111", "card ending in 1111"],
    ["with hyphens", "5500-0000-0000-0004", "ending in 0004"],
    ["of fifteen digits", "378282246310005", "ending in 0005"],
    ["a number that fails the check", "4111111111111112", "4111111111111112"],
    ["a trace number", "trace 091000010000123", "trace 091000010000123"],
    ["an invoice number", "INV-4111111111111111X", "INV-4111111111111111X"],
    ["nothing of the kind", "20431, 20433", "20431, 20433"],
  ])("%s", (_case, text, left) => expect(withoutCardNumbers(text)).toBe(left));
  it("nothing of sixteen digits that a card could have is left, and everything else stays", () => {
    fc.assert(
      fc.property(
        fc.stringMatching(/^4[0-9]{14}$/),
        fc.stringMatching(/^[a-z ]{0,10}$/),
        (start, words) => {
          const check =
            Array.from({ length: 10 }, (_, digit) => `${start}${digit}`).find(passesLuhn) ?? "";
          const left = withoutCardNumbers(`${words} ${check} ${words}`);
          expect(left).toBe(`${words} ending in ${check.slice(-4)} ${words}`);
        },
      ),
    );
  });
});
