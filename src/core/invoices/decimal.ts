import { minorDigits, mulDiv, type Currency, type Minor, type Rounding } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";

/** An exact decimal: `units` of 10 to the minus `places`. Quantities and rates have up to six places. */
export type Decimal = { readonly units: bigint; readonly places: number };

/** Digits behind the mark that a quantity or a rate may have. */
export const MOST_PLACES = 6;
const MOST_WHOLE = 12;

/**
 * Reads a quantity, rate or percent with a decimal point: at most twelve digits before it and six
 * behind it that are not zeros. @example decimalOf("-2.5") // 25 units of a tenth, negative
 */
export function decimalOf(text: string): Result<Decimal, "decimal.unreadable" | "decimal.places"> {
  const match = /^([-+]?)(\d{0,40})(?:\.(\d{0,40}))?$/.exec(text.trim());
  const [, sign = "", whole = "", behind = ""] = match ?? [];
  if (!match || (whole === "" && behind === ""))
    return fail("decimal.unreadable", { text: text.slice(0, 40) });
  const digits = behind.replace(/0{1,40}$/, "");
  if (digits.length > MOST_PLACES || whole.replace(/^0{1,40}/, "").length > MOST_WHOLE)
    return fail("decimal.places", { text: text.slice(0, 40), places: MOST_PLACES });
  const units = BigInt(`${whole}${digits}` || "0");
  return ok({ units: sign === "-" ? -units : units, places: digits.length });
}

/** As decimal text without needless zeros. @example decimalText({units: 250n, places: 2}) // "2.5" */
export function decimalText({ units, places }: Decimal): string {
  const size = (units < 0n ? -units : units).toString().padStart(places + 1, "0");
  const whole = size.slice(0, size.length - places);
  const behind = size.slice(size.length - places).replace(/0{1,40}$/, "");
  const sign = units < 0n ? "-" : "";
  return `${sign}${whole}${behind === "" ? "" : `.${behind}`}`;
}

/** The product of two decimals, exact. */
export function times(a: Decimal, b: Decimal): Decimal {
  return { units: a.units * b.units, places: a.places + b.places };
}

/**
 * A decimal number of whole currency (1.005 dollars) as minor units, rounded once.
 * Throws RangeError beyond a safe integer: callers bound what they read.
 */
export function toMinor(value: Decimal, currency: Currency, rounding: Rounding): Minor {
  return mulDiv(
    1,
    value.units * 10n ** BigInt(minorDigits(currency)),
    10n ** BigInt(value.places),
    rounding,
  );
}

/**
 * The rate at which `quantity` makes `amount`, to six places, half away from zero; null where no
 * such rate makes it, or the quantity is nothing.
 * @example rateFor(10.00 USD, 3) // 3.333333
 */
export function rateFor(amount: Minor, quantity: Decimal, currency: Currency): Decimal | null {
  if (quantity.units === 0n) return null;
  const top = BigInt(amount) * 10n ** BigInt(quantity.places + MOST_PLACES);
  const rate = {
    units: nearest(top, quantity.units * 10n ** BigInt(minorDigits(currency))),
    places: MOST_PLACES,
  };
  const size = toMinor(times(quantity, rate), currency, "half-up");
  return size === amount ? rate : null;
}

/** A quotient to the nearest whole, half away from zero. */
export function nearest(top: bigint, bottom: bigint): bigint {
  const negative = top < 0n !== bottom < 0n;
  const [size, by] = [top < 0n ? -top : top, bottom < 0n ? -bottom : bottom];
  const whole = (size * 2n + by) / (by * 2n);
  return negative ? -whole : whole;
}
