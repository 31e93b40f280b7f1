import {
  type Currency,
  currencyOf,
  type DecimalMark,
  isCut,
  type Minor,
  minor,
  parseAmount,
} from "@/core/money";

import { ANY_SIGN, type SharedSign, signIn } from "./currencySigns";

/** A sum as a cell writes it, before its decimal mark is known. */
export type WrittenSum = {
  /** Digits and marks alone. */
  readonly digits: string;
  readonly negative: boolean;
  /** The currency that its sign or code names, or a sign that several share. */
  readonly currency: Currency | SharedSign | null;
  /** `CR` and `DR` behind or before it. */
  readonly side: "credit" | "debit" | null;
};

const LONGEST = 60;

/** Plain digits with a point, as most exports write them: nothing is to be looked for in these. */
const PLAIN = /^-?\d{1,9}\.\d{2}$/;

/** Cells that were read before: each is looked at many times, for its mark, its sign, its currency. */
const known = new Map<string, WrittenSum | null>();
const MOST_KNOWN = 50_000;

/** What a cell says of a sum; null where it is none. Empty cells are none. */
export function writtenSum(cell: string): WrittenSum | null {
  if (cell === "") return null;
  const before = known.get(cell);
  if (before !== undefined) return before;
  const found = PLAIN.test(cell) ? plainSum(cell) : anySum(cell);
  if (known.size < MOST_KNOWN) known.set(cell, found);
  return found;
}

const plainSum = (cell: string): WrittenSum => ({
  digits: cell.startsWith("-") ? cell.slice(1) : cell,
  negative: cell.startsWith("-"),
  currency: null,
  side: null,
});

function anySum(cell: string): WrittenSum | null {
  const text = cell.replace(/[\u00a0\u2007\u202f]/g, " ").trim();
  if (text === "" || text.length > LONGEST || !/\d/.test(text) || isCut(text)) return null;
  const side = /(?:^|[\s\d])(cr|dr|od|[cd])\.?$|^(cr|dr)\.?(?=[\s\d])|\s([sh])$/i.exec(text);
  const bare = side ? text.replace(/(cr|dr|od|[cdsh])\.?$|^(cr|dr)\.?/i, "").trim() : text;
  const currency = currencyIn(bare);
  const digits = bare
    .replace(ANY_SIGN, "")
    // Three letters that are no currency are those of a number: `INV-20400`.
    .replace(/^[\s(+\-−–]*([A-Z]{3})(?![A-Z])|([A-Z]{3})[\s)\-−–]*$/, (whole, before, behind) =>
      currencyOf(String(before ?? behind)) === undefined ? whole : "",
    )
    .replace(/^[\s(+\-−–]{1,6}|[\s)+\-−–]{1,6}$/g, "")
    .trim();
  if (!/^\d[\d.,'’ ]*$|^[.,]\d+$/.test(digits)) return null;
  const word = (side?.slice(1).find((letters) => letters !== undefined) ?? "").toLowerCase();
  return {
    digits: digits.replace(/[’]/g, "'"),
    negative: isNegative(bare),
    currency,
    side: sideOf(word),
  };
}

/** Credit and debit in English, overdrawn, and `Haben` and `Soll`. */
const SIDES: Readonly<Record<string, WrittenSum["side"]>> = {
  ...{ cr: "credit", c: "credit", h: "credit" },
  ...{ dr: "debit", od: "debit", d: "debit", s: "debit" },
};
const sideOf = (word: string): WrittenSum["side"] => SIDES[word] ?? null;

const isNegative = (text: string): boolean =>
  (text.includes("(") && text.includes(")")) ||
  /^[^\d]*[-−–]/.test(text) ||
  /[-−–]\s*[A-Z€$£]{0,3}$/.test(text);

function currencyIn(text: string): WrittenSum["currency"] {
  const sign = signIn(text);
  if (sign !== null) return sign;
  const code =
    /(?:^|[\s(+\-−–])([A-Z]{3})(?![A-Z])/.exec(text)?.[1] ?? /([A-Z]{3})\)?$/.exec(text)?.[1];
  return code === undefined ? null : (currencyOf(code) ?? null);
}

/** Sums that were read before under a mark, a unit and a currency. */
const sums = new Map<string, Minor | null>();

/** Signed, in minor units; null where the digits are no sum under the mark. */
export function sumUnder(
  written: WrittenSum,
  reading: { mark: DecimalMark; currency: Currency; cents: boolean },
): Minor | null {
  const sign = written.negative ? "-" : "";
  const key = `${sign}${written.digits} ${reading.mark}${reading.currency}${reading.cents ? "c" : ""}`;
  const before = sums.get(key);
  if (before !== undefined) return before;
  const sum = sumAnew(written, reading);
  if (sums.size < MOST_KNOWN) sums.set(key, sum);
  return sum;
}

/** What a cell comes to under a mark, before the currency of its file is known; null where it holds no sum. */
export function sumWithin(cell: string, mark: DecimalMark): Minor | null {
  const written = writtenSum(cell.trim());
  return written && sumUnder(written, { mark, currency: USUAL, cents: false });
}

/** Two digits, as nearly all currencies have. */
const USUAL = "USD" as Currency;

/** Groups of two above the thousands, as India writes them: `1,50,000.00` (CLDR, en-IN). */
const LAKHS = /^\d{1,2}(?:,\d\d)+,\d{3}(?:\.\d{1,3})?$/;

function sumAnew(
  written: WrittenSum,
  { mark, currency, cents }: { mark: DecimalMark; currency: Currency; cents: boolean },
): Minor | null {
  if (cents && /^\d+$/.test(written.digits))
    return minor((written.negative ? -1 : 1) * Number(written.digits));
  const bare = mark === "." && LAKHS.test(written.digits);
  const read = parseAmount(
    bare ? written.digits.replaceAll(",", "") : written.digits,
    mark,
    currency,
  );
  if (!read.ok) return null;
  return minor(written.negative ? -read.value : read.value);
}
