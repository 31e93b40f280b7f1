import { minor, type Minor } from "./minor";

/** How a quotient becomes a whole number of minor units. half-even: IEEE 754-2008, roundTiesToEven. */
export type Rounding = "half-even" | "half-up" | "down" | "up";

/**
 * amount x numerator / denominator, exact inside (BigInt), rounded once at the
 * end. Signs are kept; "down" is towards zero and "up" away from it.
 * Throws RangeError for a denominator of 0.
 * @example mulDiv(10_000, 29, 1000, "half-even") // 2.9 % of 100.00 = 290 cents
 */
export function mulDiv(
  amount: number,
  numerator: bigint | number,
  denominator: bigint | number,
  rounding: Rounding,
): Minor {
  const bottom = BigInt(denominator);
  if (bottom === 0n) throw new RangeError("division by zero");
  const top = BigInt(minor(amount)) * BigInt(numerator);
  const negative = top < 0n !== bottom < 0n && top !== 0n;
  const size = abs(top);
  const by = abs(bottom);
  const whole = size / by;
  const rest = size % by;
  const rounded = whole + (goesUp(whole, rest, by, rounding) ? 1n : 0n);
  return minor(Number(negative ? -rounded : rounded));
}

function goesUp(whole: bigint, rest: bigint, by: bigint, rounding: Rounding): boolean {
  switch (rounding) {
    case "down":
      return false;
    case "up":
      return rest > 0n;
    case "half-up":
      return rest * 2n >= by;
    case "half-even":
      return rest * 2n > by || (rest * 2n === by && whole % 2n === 1n);
    default:
      throw rounding satisfies never;
  }
}

function abs(value: bigint): bigint {
  return value < 0n ? -value : value;
}
