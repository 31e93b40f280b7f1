import { type Currency, LARGEST_SUM, type Minor } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";

import { type Decimal, decimalOf, times, toMinor } from "./decimal";

/** A line as it is typed; numbers are exact decimal text, `rate` in whole currency. */
export type LineInput = {
  readonly quantity: string;
  readonly rate: string;
  /** Off the line; null for none. */
  readonly discountPercent: string | null;
  readonly taxCode: string | null;
  /** The deposit invoice that it takes off, by its document; null for a line that bills. */
  readonly settles?: number | null;
};

/** A line of a document with what it comes to; `net`: without tax, as whoever keeps it says. */
export type WrittenLine = LineInput & {
  readonly item: string | null;
  readonly description: string;
  readonly amount: Minor;
  readonly net: Minor;
};

/** A line as it was billed before, with its latest rate. */
export type BilledBefore = {
  readonly item: string | null;
  readonly description: string;
  readonly rate: string;
  readonly taxCode: string | null;
};

/** What is wrong with a document, with the line (from 1) and the field that it is in. */
export type DocumentProblem =
  | "document.empty"
  | "document.number"
  | "document.places"
  | "document.large"
  | "document.discount"
  | "document.negative"
  | "document.tax_unknown"
  | "document.withholding";

/**
 * quantity x rate less its discount, rounded once, half away from zero, to the currency.
 * @example lineAmount({quantity: "3", rate: "0.335", ...}, USD) // 1.01
 */
export function lineAmount(
  { quantity, rate, discountPercent }: LineInput,
  currency: Currency,
): Result<Minor, DocumentProblem> {
  const parts: Decimal[] = [];
  for (const [field, text] of Object.entries({
    quantity,
    rate,
    discount_percent: discountPercent ?? "0",
  })) {
    const read = decimalOf(text);
    if (!read.ok)
      return fail(read.error.code === "decimal.places" ? "document.places" : "document.number", {
        field,
        text,
      });
    parts.push(read.value);
  }
  const [amount, each, off] = parts as [Decimal, Decimal, Decimal];
  if (!isPercent(off))
    return fail("document.discount", { field: "discount_percent", text: discountPercent });
  const left: Decimal = {
    units: 100n * 10n ** BigInt(off.places) - off.units,
    places: off.places + 2,
  };
  const product = times(times(amount, each), left);
  if (size(product.units) / 10n ** BigInt(product.places) > LARGEST_WHOLE)
    return fail("document.large", { field: "rate" });
  return ok(toMinor(product, currency, "half-up"));
}

const LARGEST_WHOLE = BigInt(LARGEST_SUM) / 100n;
const size = (units: bigint): bigint => (units < 0n ? -units : units);
export const isPercent = ({ units, places }: Decimal): boolean =>
  units >= 0n && units <= 100n * 10n ** BigInt(places);
