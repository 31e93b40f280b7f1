import fc from "fast-check";
import { getCountrySpecifications, isValidIBAN } from "ibantools";

import { isIban, maskedNumbers } from ".";

/** What is left by 97, counted at one go over whole numbers. */
const left = (text: string): bigint =>
  BigInt([...text].map((sign) => String(Number.parseInt(sign, 36))).join("")) % 97n;

/** A number with the check digits that ISO/IEC 7064 gives it. */
const checked = (land: string, rest: string): string =>
  `${land}${String(98n - left(`${rest}${land}00`)).padStart(2, "0")}${rest}`;

/** The package ibantools as a second reader: lands and how long their IBANs are (registry of ISO 13616). */
const LANDS = Object.entries(getCountrySpecifications()).flatMap(
  ([land, { chars, IBANRegistry }]) =>
    chars !== null && IBANRegistry === true ? [[land, chars] as const] : [],
);

const digits = (count: number): fc.Arbitrary<string> =>
  fc.stringMatching(new RegExp(`^[0-9]{${count}}$`));

/** What people and banks write before and behind a number. */
const BEFORE = [
  "",
  "pay to ",
  "IBAN ",
  "IBAN:",
  "IBAN",
  "PAY",
  "SVWZ+",
  "?31",
  "(",
  "Konto/",
  "to account ",
];
const BEHIND = [
  "",
  " INV 2041",
  " thanks",
  "EUR",
  ", 12.00",
  "/INV 7",
  " 2041",
  ".",
  ") for May",
  "\nEREF+7",
];
const written: readonly ((iban: string) => string)[] = [
  (iban) => iban,
  (iban) => iban.toLowerCase(),
  (iban) => iban.replace(/.{4}/g, "$& ").trim(),
  (iban) => iban.replace(/.{4}(?!$)/g, "$&-"),
];

describe("an IBAN among other words", () => {
  it.each(LANDS)(
    "of %s, %i long, is never left whole, whatever stands around it",
    (land, length) => {
      fc.assert(
        fc.property(
          digits(length - 4),
          fc.constantFrom(...BEFORE),
          fc.constantFrom(...BEHIND),
          fc.constantFrom(...written),
          (rest, before, behind, write) => {
            const iban = checked(land, rest);
            const kept = maskedNumbers(`${before}${write(iban)}${behind}`);
            const bare = kept.replace(/[^0-9A-Za-z]/g, "").toUpperCase();
            expect(bare).not.toContain(rest);
            expect(kept).toContain(`ending in ${rest.slice(-4)}`);
            expect(kept.endsWith(behind)).toBe(true);
          },
        ),
        { numRuns: 40 },
      );
    },
  );
  it("is one to this reader where it is one to another", () =>
    fc.assert(
      fc.property(
        digits(18),
        digits(16),
        fc.integer({ min: 0, max: 96 }),
        (german, austrian, shift) => {
          for (const iban of [checked("DE", german), checked("AT", austrian)]) {
            const other = `${iban.slice(0, 2)}${String(shift + 2).padStart(2, "0")}${iban.slice(4)}`;
            expect([isIban(iban), isIban(other)]).toEqual([isValidIBAN(iban), isValidIBAN(other)]);
          }
        },
      ),
    ));
  it.each([
    "at 20 percent discount on all of it, as agreed",
    "ch_10000123456789 po_4417",
    "order GB29 for Tuesday 2026-11-24 and 1,234.56",
    "be 12 of them by Friday, no 93 and no 94",
  ])("%s stays", (text) => expect(maskedNumbers(text)).toBe(text));
});

describe("a creditor reference (ISO 11649)", () => {
  it("is the number of what is paid, and stays: RF18539007547034", () => {
    expect(isIban("RF18539007547034")).toBe(false);
    for (const text of [
      "RF18539007547034",
      "ref RF18 5390 0754 7034 thanks",
      "paid rf18539007547034.",
    ])
      expect(maskedNumbers(text)).toBe(text);
  });
  it("stays where its digits alone would be a card's", () =>
    fc.assert(
      fc.property(digits(16), (number) => {
        const reference = checked("RF", number);
        expect(maskedNumbers(`for ${reference} thanks`)).toBe(`for ${reference} thanks`);
      }),
    ));
});
