import { fail, ok, type Result } from "@/core/result";

import type { Minor } from "./minor";
import { mulDiv, type Rounding } from "./rounding";

/**
 * An exact fraction. Percentages and rates are kept as decimal text in the database and become a
 * Ratio to compute with.
 */
export type Ratio = { readonly numerator: bigint; readonly denominator: bigint };

/**
 * Reads a decimal ("2.9", "-0.305") exactly.
 * @example ratioOf("2.9") // 29/10
 */
export function ratioOf(text: string): Result<Ratio, "rate.unreadable"> {
  const match = /^(-?)(\d+)(?:\.(\d+))?$/.exec(text.trim());
  if (!match) return fail("rate.unreadable", { text });
  const decimals = match[3] ?? "";
  const numerator = BigInt(`${match[1] ?? ""}${match[2] ?? "0"}${decimals}`);
  return ok({ numerator, denominator: 10n ** BigInt(decimals.length) });
}

/**
 * `percent` per cent of an amount. @example percentOf(100_00, {numerator: 29n, denominator: 10n},
 * "half-even") // 2.90
 */
export function percentOf(amount: number, percent: Ratio, rounding: Rounding): Minor {
  return mulDiv(amount, percent.numerator, percent.denominator * 100n, rounding);
}
