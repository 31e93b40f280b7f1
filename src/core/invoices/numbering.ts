/**
 * The number of a document: its series' prefix, the year of issue, and a running number of at least
 * four digits. @example numberOf("INV-", "2026-11-24", 17) // INV-2026-0017
 */
export function numberOf(prefix: string, issuedOn: string, running: number): string {
  return `${prefix}${issuedOn.slice(0, 4)}-${String(running).padStart(4, "0")}`;
}

/** The number of a part of an invoice, from 0: letters behind its own. @example KR-2026-0101A */
export const partNumber = (number: string, at: number): string =>
  `${number}${String.fromCharCode(FIRST_LETTER + at)}`;

const FIRST_LETTER = 65;
