import { fail, ok, type Result } from "@/core/result";

import { type Currency, minorDigits } from "./currency";
import { minor, type Minor } from "./minor";

export type DecimalMark = "." | ",";
export type AmountProblem =
  "amount.empty" | "amount.unreadable" | "amount.mark" | "amount.digits" | "amount.large";

/** Whole digits, grouped or not, and decimals, by the decimal mark. */
const SHAPES: Record<DecimalMark, RegExp> = {
  ".": /^(\d+|\d{1,3}(?:,\d{3})+|\d{1,3}(?:[ \u00a0'’]\d{3})+)?(?:\.(\d*))?$/,
  ",": /^(\d+|\d{1,3}(?:\.\d{3})+|\d{1,3}(?:[ \u00a0'’]\d{3})+)?(?:,(\d*))?$/,
};

/** Characters that a sum has at most, with its currency, signs and spaces. */
const LONGEST = 60;

/** The largest sum that may enter a book, in minor units: sums of millions of them stay exact. */
export const LARGEST_SUM = 1_000_000_000_000;

/** Plain digits with a point, as programs write them: read without looking any closer. */
const PLAIN = /^-?\d{1,8}\.(\d{1,4})$/;

/**
 * Reads an amount written by people or programs: `1,234.56`, `1.234,56`,
 * `(12.00)`, `12.00-`, `-12`, `$ 1 234.50`, `USD 12`. The decimal mark must be
 * known: `1.234` is not guessed at. A grouping mark only counts in front of
 * three digits, so `1,23` with mark "." is refused (amount.mark), as are more
 * digits than the currency has (amount.digits) unless they are zeros.
 * @example parseAmount("1.234,56", ",", USD) // ok 123456
 */
export function parseAmount(
  text: string,
  mark: DecimalMark,
  currency: Currency,
): Result<Minor, AmountProblem> {
  const trimmed = text.trim();
  if (trimmed === "") return fail("amount.empty");
  // No sum is written in so many characters: nothing that comes from outside is looked at for long.
  if (trimmed.length > LONGEST)
    return fail("amount.unreadable", { text: `${trimmed.slice(0, 20)} …`, mark });
  const plain = mark === "." ? PLAIN.exec(trimmed) : null;
  if (plain?.[1]?.length === minorDigits(currency))
    return ok(minor(Number(trimmed.replace(".", ""))));
  const bare = withoutSigns(trimmed);
  const [, whole, behind] = (isCut(trimmed) ? null : SHAPES[mark].exec(bare)) ?? [];
  if (whole === undefined && !behind)
    return fail(unreadable(trimmed, bare), { text: trimmed, mark });
  return valueOf(trimmed, { whole, behind }, currency);
}

/** Half a pair of parentheses is a cell that was cut: whether the sum was negative cannot be told. */
export const isCut = (text: string): boolean => text.includes("(") !== text.includes(")");

/** A sum from its digits before and behind the mark. */
function valueOf(
  text: string,
  { whole = "0", behind = "" }: { whole: string | undefined; behind: string | undefined },
  currency: Currency,
): Result<Minor, AmountProblem> {
  const digits = minorDigits(currency);
  const decimals = behind.replace(/0{1,60}$/, "");
  if (decimals.length > digits) return fail("amount.digits", { text, currency, digits });
  const value = Number(`${whole.replace(/\D/g, "")}${decimals.padEnd(digits, "0")}`);
  if (value > LARGEST_SUM) return fail("amount.large", { text });
  return ok(minor(isNegative(text) ? -value : value));
}

/** Negative sums stand in parentheses, or have their minus in front or behind. */
const isNegative = (text: string): boolean =>
  /^\(.*\)$/.test(text) || /^[^\d]*[-−]/.test(text) || /[-−]$/.test(text);

const SIGN = /[$€£¥]/;

/** Where the first character that is not one of a kind stands, from the left or from the right. */
function past(text: string, kind: RegExp, from: number, step: 1 | -1): number {
  let at = from;
  while (kind.test(text[at] ?? "")) at += step;
  return at;
}

/** The digits and marks alone, without currency, minus and parentheses around them; in one pass. */
export function withoutSigns(text: string): string {
  let from = past(text, /[\s(+\-−]/, 0, 1);
  if (/^[A-Z]{3}(?!\w)/.test(text.slice(from, from + 4)))
    from = past(text, /[\s(+\-−]/, from + 3, 1);
  if (SIGN.test(text[from] ?? "")) from = past(text, /[\s+\-−]/, from + 1, 1);
  let to = past(text, /[\s)\-−]/, text.length - 1, -1);
  if (/^[A-Z]{3}$/.test(text.slice(Math.max(0, to - 2), to + 1))) to -= 3;
  else if (SIGN.test(text[to] ?? "")) to -= 1;
  to = past(text, /[\s)\-−]/, to, -1);
  return text.slice(from, Math.max(from, to + 1));
}

const unreadable = (text: string, bare: string): "amount.mark" | "amount.unreadable" =>
  /^[\d.,]+$/.test(bare) && !isCut(text) ? "amount.mark" : "amount.unreadable";

/** Decimal text for files and the command line: "1234.56", "-0.05". */
export function toDecimal(amount: number, currency: Currency): string {
  const digits = minorDigits(currency);
  const size = Math.abs(amount)
    .toString()
    .padStart(digits + 1, "0");
  const whole = size.slice(0, size.length - digits);
  const sign = amount < 0 ? "-" : "";
  return digits === 0 ? `${sign}${whole}` : `${sign}${whole}.${size.slice(-digits)}`;
}

/**
 * An amount as a ledger page shows it: thousands grouped, negative sums in
 * parentheses, and an en dash for nothing where `dash` is set.
 * @example formatAmount(-128450, USD) // "(1,284.50)"
 */
export function formatAmount(
  amount: number,
  currency: Currency,
  options: { dash?: boolean } = {},
): string {
  if (amount === 0 && options.dash) return "–";
  const [whole = "0", decimals] = toDecimal(Math.abs(amount), currency).split(".");
  const grouped = whole.replace(/\B(?=(?:\d{3}){1,6}$)/g, ",");
  const text = decimals === undefined ? grouped : `${grouped}.${decimals}`;
  return amount < 0 ? `(${text})` : text;
}

/**
 * The same, with the currency's code before it where that is not the book's. @example
 * formatMoney(10000, EUR, USD) // "EUR 100.00"
 */
export function formatMoney(amount: number, currency: Currency, book: Currency): string {
  return currency === book
    ? formatAmount(amount, currency)
    : `${currency} ${formatAmount(amount, currency)}`;
}
