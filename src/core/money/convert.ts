import { type Currency, minorDigits, unitOf } from "./currency";
import type { Minor } from "./minor";
import { ratioOf, type Ratio } from "./ratio";
import { mulDiv } from "./rounding";

/**
 * A sum in another currency's minor units, at a rate in units of `to` for one
 * unit of `from`; half to even.
 * @example convert(minor(10000), "EUR", "USD", ratioOf("1.0834")) // 108.34
 * @example convert(minor(5000), "JPY", "USD", ratioOf("0.0067")) // 33.50, as the yen has no minor unit
 */
export function convert(amount: number, from: Currency, to: Currency, rate: Ratio): Minor {
  const [up, down] = [BigInt(minorDigits(to)), BigInt(minorDigits(from))];
  return mulDiv(amount, rate.numerator * 10n ** up, rate.denominator * 10n ** down, "half-even");
}

/** The same at a rate in decimal text; null where that cannot be read. */
export function inCurrency(
  amount: number,
  from: Currency,
  to: Currency,
  rate: string,
): Minor | null {
  const ratio = ratioOf(rate);
  return ratio.ok ? convert(amount, from, to, ratio.value) : null;
}

/**
 * What a sum of `from` comes to in a currency whose one unit is worth `rate` of it: the way back of
 * `convert`, rounded half to even.
 * @example convertBack(minor(2500), "USD", "CAD", ratioOf("0.72")) // 34.72
 */
export function convertBack(amount: number, from: Currency, to: Currency, rate: Ratio): Minor {
  return convert(amount, from, to, {
    numerator: rate.denominator,
    denominator: rate.numerator,
  });
}

/**
 * The rate at which a sum became another, to five decimals, as people quote it.
 * @example ownRate(minor(10712), "USD", minor(10000), "EUR") // "1.07120"
 */
export function ownRate(got: number, gotIn: Currency, given: number, givenIn: Currency): string {
  return (got / unitOf(gotIn) / (given / unitOf(givenIn))).toFixed(5);
}
