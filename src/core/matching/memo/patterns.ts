export const compact = (text: string): string => text.toUpperCase().replace(/[^A-Z0-9]/g, "");

/**
 * The digits at the end of a number, without leading zeros: what is left when people drop prefix
 * and zeros.
 */
export const coreOf = (text: string): string => lastDigits(text).replace(/^0+/, "");

/** The last run of digits in a text, as it stands; "" where there is none. */
export function lastDigits(text: string): string {
  let end = text.length;
  while (end > 0 && !isDigit(text, end - 1)) end -= 1;
  let start = end;
  while (start > 0 && isDigit(text, start - 1)) start -= 1;
  return text.slice(start, end);
}

const isDigit = (text: string, at: number): boolean => {
  const code = text.charCodeAt(at);
  return code >= 48 && code <= 57;
};

export const allDigits = (text: string): string => text.replace(/\D/g, "").replace(/^0+/, "");

/**
 * Dates, telephone numbers, amounts, percentages, counts of goods, and numbers that a label says
 * are something else.
 */
export const NOT_NUMBERS: readonly RegExp[] = [
  /\b\d{4}-\d\d-\d\d\b/g,
  /\b\d{1,2}[/.]\d{1,2}[/.](?:\d{4}|\d\d)\b/g,
  /\b(?:TEL|PHONE|FON|CALL)[.:]?\s*[\d()+./-][\d ()+./-]{6,}/g,
  /\(?\b\d{3}\)?[ -.]\d{3}[-.]\d{4}\b/g,
  /[$€£]\s?\d[\d.,]*|\b\d[\d,]*[.,]\d\d\b|\b\d[\d,]*\.\d?(?=\W*$)/g,
  /\b\d{1,2}(?:[.,]\d+)?\s?(?:%|PCT\b|PERCENT\b|PROZENT\b)/g,
  /\b\d{1,3}\s?(?:BOX(?:ES)?|BAGS?|PCS|PIECES?|UNITS?|CASES?|PALLETS?|STK|STUECK|CAJAS?|SACOS?|CARTONS?|DAYS?|MONTHS?)\b/g,
  /\b(?:WK|WEEK|KW|SEMANA|SEMAINE|UNIT|APT|STE|SUITE|ROOM|LOT|PAGE|STORE|SITE|ROUTE)\b[.:#]?\s*\d{1,4}\b/g,
  /\b(?:JAN|FEB|MAR|APR|MAY|JUN|JUL|AUG|SEP|SEPT|OCT|NOV|DEC)[A-Z]*\.?\s+(?:\d{1,2},?\s+)?20\d\d\b/g,
  /\b(?:JOB|ORDER|REF|ACCT|ACCOUNT|CHECK|CHK|CUST(?:OMER)?|KUNDENNR|KONTO|TICKET|TKT|MEMBER(?:SHIP)?)\b[.:#]?\s*(?:NO\.?\s*)?(?:#\s*)?[A-Z]{0,3}-?\d[\dA-Z-]*/g,
];

export const SUM = /\b\d[\d,]*\.\d\d\b/g;

/** Whether the whole of a word is a date, an amount or the like. */
export const isMasked = (word: string): boolean =>
  NOT_NUMBERS.some((mask) => word.replace(mask, "") === "");

/** The memo in capitals, letter by letter, so that places stay what they are. */
export const capitals = (text: string): string =>
  Array.from(text, (letter) => {
    const upper = letter.toUpperCase();
    return upper.length === letter.length ? upper : letter;
  }).join("");

export const blank = (text: string): string => " ".repeat(text.length);
