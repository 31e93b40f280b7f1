import { ibansIn, referencesIn, type Span } from "./ibans";

/**
 * Numbers that are never kept: those of payment cards and of bank accounts. What is left of one are
 * its last four digits, by which a person knows it again.
 */

/** A run of digits in a text. */
type Group = { readonly start: number; readonly end: number; readonly digits: string };

/** How cards print and people write a number: at one go, digit by digit, or in such groups. */
const CARD_GROUPS: readonly string[] = [
  "4-4-4-4",
  "4-6-5",
  "4-6-4",
  "4-4-5",
  "4-5-4",
  "4-4-4-1",
  "4-4-4-2",
  "4-4-4-3",
  "4-4-4-4-1",
  "4-4-4-4-2",
  "4-4-4-4-3",
  "6-13",
  "8-8",
  "4-12",
  "12-4",
];

/**
 * Issuers' number ranges with the lengths that they use (ISO/IEC 7812-1; ranges from memory, held
 * against the package card-validator in the tests).
 */
const RANGES: readonly (readonly [prefix: RegExp, lengths: readonly number[]])[] = [
  [/^4/, [13, 16, 18, 19]],
  [/^5[1-5]|^2(?:22[1-9]|2[3-9]|[3-6]|7[01]|720)/, [16]],
  [/^3[47]/, [15]],
  [/^3(?:0[0-5]|095|6|8|9)/, [14, 16, 19]],
  [/^6(?:011|4[4-9]|5)/, [16, 19]],
  [/^35(?:2[89]|[3-8])/, [16, 17, 18, 19]],
  [/^62|^81/, [14, 15, 16, 17, 18, 19]],
  [/^220[0-5]/, [16, 17, 18, 19]],
  [/^(?:5018|50[0-9]{2}|5[67]|58|6304|6390|67|493698)/, [12, 13, 14, 15, 16, 17, 18, 19]],
  [/^(?:60|82|508|353|356|6370|6062|3841)/, [16, 19]],
  [/^(?:9792|65|1946|5019)/, [16]],
];

const SHORTEST = 12;
const LONGEST = 19;

/** Whether digits pass the check of ISO/IEC 7812-1, annex B. @example passesLuhn("4111111111111111") // true */
export function passesLuhn(digits: string): boolean {
  let sum = 0;
  for (let at = 0; at < digits.length; at += 1) {
    const doubled = digits.charCodeAt(digits.length - 1 - at) - 48;
    const value = at % 2 === 1 ? doubled * 2 : doubled;
    sum += value > 9 ? value - 9 : value;
  }
  return digits !== "" && sum % 10 === 0;
}

/** Whether digits could be a card's: of a range and length that is used, with the right check digit. */
export function isCardNumber(digits: string): boolean {
  return (
    digits.length >= SHORTEST &&
    digits.length <= LONGEST &&
    RANGES.some(([prefix, lengths]) => lengths.includes(digits.length) && prefix.test(digits)) &&
    passesLuhn(digits)
  );
}

/** A number that its own words call a bank account's: eight digits and more (common practice, no source). */
const CALLED_ACCOUNT =
  /\b(?:bank ?(?:account|acct)|account (?:number|no|nr)|acct (?:number|no|nr)|a\/c(?: no)?|kontonummer|konto[- ]?nr|routing (?:number|no)?)[.:#,;|"\t ]{0,6}(?=\d)/gi;

/** Where numbers stand that are not kept, one kind after the other, and what is written before their last digits. */
const KINDS: readonly (readonly [find: (text: string) => readonly Span[], before: string])[] = [
  [ibansIn, "account ending in "],
  [cardsIn, "ending in "],
  [calledIn, "ending in "],
];

/** Every place of a text written anew; what stands between them stays. */
function rewritten(
  text: string,
  places: readonly Span[],
  write: (found: string) => string,
): string {
  let [left, from] = ["", 0];
  for (const { start, end } of places) {
    left += text.slice(from, start) + write(text.slice(start, end));
    from = end;
  }
  return from === 0 ? text : left + text.slice(from);
}

/**
 * A text in which nothing is left of a card or bank account number but its last four digits.
 * @example maskedNumbers("card 4111 1111 1111 1111") // "card ending in 1111"
 */
export function maskedNumbers(text: string): string {
  if (!/\d{4}|\d\D\d/.test(text)) return text;
  const words = (before: string) => (found: string) =>
    before + found.replace(/[^0-9A-Za-z]/g, "").slice(-4);
  return KINDS.reduce((left, [find, before]) => rewritten(left, find(left), words(before)), text);
}

/** The same in a text whose places count: as many signs, those of a number written over. */
export const numbersWrittenOver = (text: string): string =>
  KINDS.reduce((left, [find]) => rewritten(left, find(left), writtenOver), text);

/** A number that is not kept, as long as it was: its letters and digits but the last four are each an `x`. */
export function writtenOver(number: string): string {
  const signs = number.replace(/[^0-9A-Za-z]/g, "").length;
  let seen = 0;
  return number.replace(/[0-9A-Za-z]/g, (sign) => ((seen += 1) > signs - 4 ? sign : "x"));
}

/**
 * As many digits as the shortest card number has, and more, with what may stand between them. Of a
 * file of hundreds of thousands of lines nothing else is looked at.
 */
const STRETCH = /\d(?:[\s.\-/_\u00a0\u2000-\u200d\u2010-\u2015\u202f\u2060\u3000]{0,2}\d){11,}/g;

/** Where card numbers stand: over groups that belong together. */
function cardsIn(text: string): Span[] {
  const references = referencesIn(text);
  const found: Span[] = [];
  let next = 0;
  for (const { index: from, 0: stretch } of text.matchAll(STRETCH))
    for (const { start, end } of cardsOfStretch(stretch)) {
      const card = { start: from + start, end: from + end };
      // Both stand in the order of the text: the digits of a creditor reference are no card's.
      while ((references[next]?.end ?? card.end) < card.end) next += 1;
      if ((references[next]?.start ?? card.end) >= card.start) found.push(card);
    }
  return found;
}

function cardsOfStretch(text: string): Span[] {
  const groups = [...text.matchAll(/\d+/g)].map(({ index, 0: digits }) => ({
    start: index,
    end: index + digits.length,
    digits,
  }));
  const found: Span[] = [];
  for (let at = 0; at < groups.length;) {
    const card = cardAt(groups, at);
    if (card === null) at += 1;
    else {
      found.push(card.group);
      at += card.count;
    }
  }
  return found;
}

type Card = { readonly group: Span; readonly count: number };

/** The longest card number that begins with a group of a stretch; null where none does. */
function cardAt(groups: readonly Group[], from: number): Card | null {
  const lengths: number[] = [];
  let digits = "";
  let best: Card | null = null;
  const start = groups[from]?.start ?? 0;
  for (let at = from; at < groups.length && digits.length <= LONGEST; at += 1) {
    const group = groups[at];
    if (!group) break;
    digits += group.digits;
    lengths.push(group.digits.length);
    if (isCardNumber(digits) && belongsTogether(lengths))
      best = { group: { start, end: group.end }, count: at - from + 1 };
  }
  return best;
}

/** One group, digit by digit, or in groups as cards have them. */
const belongsTogether = (lengths: readonly number[]): boolean =>
  lengths.every((length) => length === 1) ||
  lengths.length === 1 ||
  CARD_GROUPS.includes(lengths.join("-"));

/** Where what the words before call an account's number stands. */
function calledIn(text: string): Span[] {
  if (!/a\/c|acc|konto|routing/i.test(text)) return [];
  const found: Span[] = [];
  for (const { index, 0: words } of text.matchAll(CALLED_ACCOUNT)) {
    const start = index + words.length;
    if (start < (found.at(-1)?.end ?? 0)) continue;
    const [number = ""] = /^\d(?:[ -]?\d){7,16}/.exec(text.slice(start, start + 40)) ?? [];
    if (number !== "") found.push({ start, end: start + number.length });
  }
  return found;
}
