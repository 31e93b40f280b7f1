import { fail, ok, type Result } from "@/core/result";

/** A card as it is typed; it goes to the processor alone and is never kept. */
export type TypedCard = {
  readonly number: string;
  /** Month and year as on the card: 04/29. */
  readonly expiry: string;
  readonly code: string;
};

/** What is kept of a card. */
export type CardFace = {
  readonly brand: string;
  readonly lastFour: string;
  /** The month in which it runs out, like 2029-04. */
  readonly expires: string;
};

export type CardProblem =
  "card.number" | "card.length" | "card.expiry" | "card.expired" | "card.code";

/**
 * Card schemes by how their numbers begin, with the lengths of number and code (ISO/IEC 7812-1 for
 * the form; ranges as the schemes publish them, from memory). The names are those on the cards.
 */
const SCHEMES = [
  { name: "Visa", begins: /^4/, lengths: [13, 16, 19], code: 3 },
  {
    name: "Mastercard",
    begins: /^(?:5[1-5]|222[1-9]|22[3-9]|2[3-6]|27[01]|2720)/,
    lengths: [16],
    code: 3,
  },
  { name: "American Express", begins: /^3[47]/, lengths: [15], code: 4 },
  { name: "Discover", begins: /^(?:6011|64[4-9]|65)/, lengths: [16, 19], code: 3 },
] as const;

const digitsOf = (text: string): string => text.replace(/\D/g, "");

/** The scheme of a number that is begun; undefined where it is none of those. */
export const schemeOf = (number: string): (typeof SCHEMES)[number] | undefined =>
  SCHEMES.find(({ begins }) => begins.test(digitsOf(number)));

/**
 * Whether the last digit checks the others (ISO/IEC 7812-1, annex B).
 * @example isChecked("79927398713") // true
 */
export function isChecked(number: string): boolean {
  const digits = digitsOf(number);
  let sum = 0;
  [...digits].reverse().forEach((digit, at) => {
    const value = Number(digit) * (at % 2 === 1 ? 2 : 1);
    sum += value > 9 ? value - 9 : value;
  });
  return digits.length > 1 && sum % 10 === 0;
}

/** A month and year as they are typed, like 2029-04. @example expiryOf("4/29") // 2029-04 */
export function expiryOf(text: string): string | null {
  const [, month, year] = /^\s*(\d{1,2})\s*(?:\/\s*)?(\d{2}|20\d{2})\s*$/.exec(text) ?? [];
  const which = Number(month);
  if (!year || which < 1 || which > 12) return null;
  return `20${year.slice(-2)}-${String(which).padStart(2, "0")}`;
}

/** What may be kept of a card that is typed right, by its form; a card is good to the end of its month. */
export function cardFace(card: TypedCard, today: string): Result<CardFace, CardProblem> {
  const digits = digitsOf(card.number);
  const scheme = schemeOf(digits);
  if (digits.length < 12 || digits.length > 19) return fail("card.length", { field: "number" });
  if (!isChecked(digits) || !scheme || !scheme.lengths.some((length) => length === digits.length))
    return fail("card.number", { field: "number" });
  const expires = expiryOf(card.expiry);
  if (expires === null) return fail("card.expiry", { field: "expiry" });
  if (expires < today.slice(0, 7)) return fail("card.expired", { field: "expiry" });
  if (!new RegExp(`^\\d{${scheme.code}}$`).test(card.code.trim()))
    return fail("card.code", { field: "code", digits: scheme.code });
  return ok({ brand: scheme.name, lastFour: digits.slice(-4), expires });
}
