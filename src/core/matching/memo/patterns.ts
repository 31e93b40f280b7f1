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

/** Runs of digits, each without its zeros in front: `2026-7933` is `2026-07933`. */
export const runsOf = (text: string): string =>
  (text.match(/\d+/g) ?? []).map((run) => run.replace(/^0+(?=\d)/, "")).join("-");

const SEEN_AS: Record<string, string> = {
  O: "0",
  Q: "0",
  I: "1",
  L: "1",
  S: "5",
  B: "8",
  Z: "2",
  G: "6",
};

/** A number as a scanner or a hasty eye takes it: letters that look like digits are those digits. */
export const lookalike = (letters: string): string =>
  letters.replace(/[OQILSBZG]/g, (letter) => SEEN_AS[letter] ?? letter);

/** Words that say that the number behind them is an invoice's, in eight languages (common practice, no source). */
export const INVOICE_WORDS =
  /^(?:INV(?:S|OICES?)?(?:NO|NR|NUM)?|I|NR|NO|BILL|RE|RG|RGNR|RECH(?:N|NG|NUNG)?(?:NR|EN)?|RECHNUNGSNR|FRAS?|FACT?(?:URAS?|URES?|URA)?|FATT?(?:URA|URE)?|FT|FAKT(?:URA|UUR)?|FV|FAC)$/;

/** Words that say that the number behind them is something else (common practice, no source). */
const OTHER_LABELS =
  "JOB|ORDER|ACCT|ACCOUNT|AUTH|CHECK|CHEQUE|CHK|CUST(?:OMER)?|CLIENT|KUNDENNR|KD ?NR|KONTO|TICKET|TKT|MEMBER(?:SHIP)?|DELIVERY NOTE|DELIVERY|DN|LIEFERSCHEIN|LS|ALBARAN|BON DE LIVRAISON|BL|PACKING SLIP|SHIPMENT|TRACKING|BOL|PRO|TRN|TRACE|TRANSACTION|TXN|BATCH|RUN|DEPOSIT|TERMINAL|TERM|POLICY|CONTRACT|VERTRAG|CONTRATO|CONTRAT|PROJECT|PROJEKT|VENDOR|SUPPLIER|LIEFERANT|CASE|IMAD|OMAD|CONFIRMATION|CONF";

const LABEL_TAIL = String.raw`\b[.:#]?\s*(?:(?:NO|NR|NUM|ID|RUN)\b[.:]?\s*)?(?:#\s*)?`;

/** Whether the words just before a number say that it is no invoice's. */
export const OTHER_BEFORE = new RegExp(String.raw`\b(?:${OTHER_LABELS})${LABEL_TAIL}$`);

/**
 * Dates, telephone numbers, amounts, percentages, counts of goods, traces of banks, and numbers that
 * a label says are something else.
 */
export const NOT_NUMBERS: readonly RegExp[] = [
  /\b\d{4}-\d\d-\d\d\b/g,
  /\b\d{1,2}[/.]\d{1,2}[/.](?:\d{4}|\d\d)\b/g,
  /(?<![\d/.,-])(?:0?[1-9]|[12]\d|3[01])[/.](?:0?[1-9]|1[0-2])(?:\.(?!\d))?(?![\d/-]|[.,]\d)/g,
  /(?<![\d/.,-])(?:0?[1-9]|1[0-2])\/(?:1[3-9]|2\d|3[01])(?![\d/-]|[.,]\d)/g,
  /\b(?:TEL|PHONE|FON|CALL)[.:]?\s*[\d()+./-][\d ()+./-]{6,}/g,
  /\(?\b\d{3}\)?[ -.]\d{3}[-.]\d{4}\b/g,
  /\b(?:TRN|TRACE|IMAD|OMAD|EREF|E2E|UETR|TXN|ACH)[ :#+-]?[A-Z]{0,4}\d[\dA-Z]{6,}\b/g,
  /[$€£]\s?\d[\d.,]{0,30}|\b\d{1,3}(?:[.,']\d{3}){0,6}[.,]\d\d\b|\b\d[\d,]{0,20}[.,]\d\d\b|\b\d[\d,]{0,20}\.\d?(?=\W{0,20}$)/g,
  /\b\d{1,2}(?:[.,]\d+)?\s?(?:%|PCT\b|PERCENT\b|PROZENT\b)/g,
  /\b\d{1,3}\s?(?:BOX(?:ES)?|BAGS?|PCS|PIECES?|UNITS?|CASES?|PALLETS?|STK|STUECK|CAJAS?|SACOS?|CARTONS?|DAYS?|MONTHS?|INVOICES?|RECHNUNGEN|FACTURAS|FACTURES)\b/g,
  /\b(?:WK|WEEK|KW|SEMANA|SEMAINE|UNIT|APT|STE|SUITE|ROOM|LOT|PAGE|STORE|SITE|ROUTE)\b[.:#]?\s*\d{1,4}\b/g,
  /\b(?:JAN|FEB|MAR|APR|MAY|JUN|JUL|AUG|SEP|SEPT|OCT|NOV|DEC|MRZ|MAI|OKT|DEZ|ENE|ABR|AGO|DIC|JANV|FEVR|AVR|JUIN|JUIL|AOUT|GEN|MAG|GIU|LUG|SET|OTT)[A-Z]*\.?\s+(?:\d{1,2},?\s+)?20\d\d\b/g,
  new RegExp(String.raw`\b(?:${OTHER_LABELS})${LABEL_TAIL}[A-Z]{0,3}-?\d[\dA-Z-]*`, "g"),
];

export const SUM = /(?<![\d./-])\d[\d,]{0,20}\.\d\d\b(?![./]\d)/g;

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
