/** A sum that has its decimals behind a comma, or behind a point: its marks leave no other reading. */
const COMMA = /^[+-]?(?:\d*,(?:\d{1,2}|\d{4,})|\d{1,3}(?:\.\d{3})+,\d*)$/;
const POINT = /^[+-]?(?:\d*\.(?:\d{1,2}|\d{4,})|\d{1,3}(?:,\d{3})+\.\d*)$/;
/** One mark before three digits: decimals, or thousands. */
const OPEN = /^[+-]?\d{1,3}[.,]\d{3}$/;

/**
 * How the sums of a file are handed on. The format lets each have a point or a comma before its
 * decimals (OFX 2.2, 3.2.9.1), so where both stand in one file and each sum says which it has, they
 * are written with a point; else they stay as they stand, for the mark to be found from all of them,
 * or asked about.
 */
export function pointBeforeDecimals(sums: readonly string[]): (text: string) => string {
  const isMixed = sums.some((text) => COMMA.test(text)) && sums.some((text) => POINT.test(text));
  if (!isMixed || sums.some((text) => OPEN.test(text))) return (text) => text;
  return (text) =>
    COMMA.test(text) ? text.replace(/\./g, "").replace(",", ".") : text.replace(/,/g, "");
}
