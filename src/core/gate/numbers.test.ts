import fc from "fast-check";

import { isCardNumber, isIban, masked, maskedNumbers, passesLuhn, withoutSecrets } from ".";

/** Numbers that networks give for tests, by range and length (common practice, from memory). */
const CARDS = [
  "4111111111111111",
  "4222222222222",
  "5555555555554444",
  "2223003122003222",
  "378282246310005",
  "30569309025904",
  "6011111111111117",
  "3530111333300000",
  "6200000000000005",
  "6759649826438453",
  "2200000000000004",
];

/** How numbers of some lengths are grouped; the others by four. */
const GROUPS: Readonly<Record<number, number[]>> = { 15: [4, 6, 5], 14: [4, 6, 4] };

describe("card numbers in what people write", () => {
  // ISO/IEC 7812-1, annex B; values from memory.
  it.each([
    ["79927398713", true],
    ["79927398710", false],
    ["4111111111111111", true],
    ["", false],
  ])("the check digit of %s holds: %s", (digits, holds) => expect(passesLuhn(digits)).toBe(holds));
  it.each(CARDS)("%s is one, however it is written", (digits) => {
    expect(isCardNumber(digits)).toBe(true);
    const last = digits.slice(-4);
    const groups = GROUPS[digits.length] ?? [4, 4, 4, 19];
    let at = 0;
    const cut = groups
      .map((width) => digits.slice(at, (at += width)))
      .filter((part) => part !== "");
    for (const separator of [
      "",
      " ",
      "-",
      ".",
      "/",
      "\u00a0",
      "\u2009",
      "\u202f",
      " - ",
      "_",
    ].filter((mark) => mark.length < 3))
      for (const [before, after] of [
        ["", ""],
        ["card", "USD"],
        ["Nr.", ";"],
        ["(", ")"],
      ]) {
        const left = maskedNumbers(`${before}${cut.join(separator)}${after}`);
        expect(left).toBe(`${before}ending in ${last}${after}`);
      }
    expect(maskedNumbers([...digits].join(" "))).toBe(`ending in ${last}`);
  });
  it.each([
    ["a number that fails the check", "4111111111111112"],
    ["a trace number", "trace 091000010000123"],
    ["numbers of invoices", "20431, 20433 20434 20435 20436"],
    ["numbers of invoices in a row", "50312 50313 50314 50315 50316"],
    ["days and sums", "2026-11-24 1,234.56 2026-11-25 4,000.00"],
    ["a hash of a file in a text of ours", "sha256 0123456789abcdef"],
    ["nothing", ""],
  ])("%s stays as it is", (_case, text) => expect(maskedNumbers(text)).toBe(text));
  it("of sixteen digits and a check digit nothing is left, and everything else stays", () => {
    fc.assert(
      fc.property(
        fc.stringMatching(/^4[0-9]{14}$/),
        fc.stringMatching(/^[a-z ]{0,10}$/),
        (start, words) => {
          const check =
            Array.from({ length: 10 }, (_, digit) => `${start}${digit}`).find(passesLuhn) ?? "";
          const left = maskedNumbers(`${words}${check}${words}`);
          expect(left).toBe(`${words}ending in ${check.slice(-4)}${words}`);
        },
      ),
    );
  });
});

describe("bank account numbers", () => {
  // ISO 13616 registry's own examples, from memory.
  it.each(["GB29 NWBK 6016 1331 9268 19", "DE89370400440532013000", "FR1420041010050500013M02606"])(
    "%s is an IBAN and is masked",
    (iban) => {
      expect(isIban(iban)).toBe(true);
      const last = iban.replaceAll(" ", "").slice(-4);
      expect(maskedNumbers(`pay to ${iban}, thanks`)).toBe(
        `pay to account ending in ${last}, thanks`,
      );
    },
  );
  it.each([
    ["Bank account: 000123456789", "Bank account: ending in 6789"],
    ["ACCT NO 12345678 thanks", "ACCT NO ending in 5678 thanks"],
    ["Konto-Nr. 1234567890", "Konto-Nr. ending in 7890"],
  ])("%s", (text, left) => expect(maskedNumbers(text)).toBe(left));
  it.each([
    "acct 20431",
    "DE89370400440532013001",
    "order GB29 for Tuesday",
    "account 1200 of the chart",
  ])("%s stays", (text) => expect(maskedNumbers(text)).toBe(text));
});

it("leaves a secret as it is, and out of what is kept or hashed", () => {
  const input = { server: "mail.example", secret: "4111111111111111" };
  expect(masked(input)).toEqual(input);
  expect(withoutSecrets({ ...input, lines: [{ secret: "x", sum: 1 }] })).toBe(
    '{"server":"mail.example","lines":[{"sum":1}]}',
  );
});

it("is masked in every text of an input, and in no word of the program's own", () => {
  const sha256 = "4111111111111111".repeat(4);
  expect(masked({ sha256, lines: [{ memo: "4111111111111111", sum: 5 }], none: null })).toEqual({
    sha256,
    lines: [{ memo: "ending in 1111", sum: 5 }],
    none: null,
  });
});
