/**
 * An amount of money: a whole number of the currency's minor unit (cents for
 * USD), signed, always a safe integer. The currency stands beside it in the
 * record that holds it.
 */
export type Minor = number & { readonly __brand: "Minor" };

/** Makes a Minor of a number that must already be whole. Throws RangeError otherwise: that is a bug, not bad input. */
export function minor(value: number): Minor {
  if (!Number.isSafeInteger(value))
    throw new RangeError("an amount must be a safe integer of minor units");
  return (value === 0 ? 0 : value) as Minor;
}

export const ZERO: Minor = minor(0);

export function add(...terms: readonly number[]): Minor {
  let total = 0;
  for (const term of terms) total += term;
  return minor(total);
}

/** The sum of one field over a list; 0 for an empty list. */
export function sumOf<T>(items: Iterable<T>, amountOf: (item: T) => number): Minor {
  let total = 0;
  for (const item of items) total += amountOf(item);
  return minor(total);
}

export function negate(amount: number): Minor {
  return minor(-amount);
}
