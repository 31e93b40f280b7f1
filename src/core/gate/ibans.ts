/** IBANs and creditor references: two letters, two check digits, and what they check. */

/**
 * How long the IBANs of each land are (the registry of ISO 13616; from memory, held against the
 * package ibantools in the tests).
 */
const LENGTHS: ReadonlyMap<string, number> = new Map(
  (
    "AD24 AE23 AL28 AT20 AZ28 BA20 BE16 BG22 BH22 BI27 BR29 BY28 CH21 CR22 CY28 CZ24 DE22 DJ27 DK18 " +
    "DO28 EE20 EG29 ES24 FI18 FK18 FO18 FR27 GB22 GE22 GI23 GL18 GR27 GT28 HR21 HU28 IE22 IL23 IQ23 " +
    "IS26 IT27 JO30 KW30 KZ20 LB28 LC32 LI21 LT20 LU20 LV21 LY25 MC27 MD24 ME22 MK19 MN20 MR27 MT31 " +
    "MU30 NI28 NL18 NO15 OM23 PK24 PL28 PS29 PT25 QA29 RO24 RS22 RU33 SA24 SC31 SD18 SE24 SI19 SK24 " +
    "SM27 SO23 ST25 SV28 TL23 TN24 TR26 UA29 VA22 VG24 XK20 YE30 " +
    "AX18 BL27 GF27 GP27 MF27 MQ27 NC27 PF27 PM27 RE27 TF27 WF27 YT27"
  )
    .split(" ")
    .map((land) => [land.slice(0, 2), Number(land.slice(2))] as const),
);

/** A creditor reference begins so (ISO 11649), which is no land. */
const REFERENCE = "RF";

/** What a sign counts in a check: a digit itself, a letter from 10 for A on; -1 for any other. */
function valueOf(code: number): number {
  if (code >= 48 && code <= 57) return code - 48;
  if (code >= 65 && code <= 90) return code - 55;
  return code >= 97 && code <= 122 ? code - 87 : -1;
}

/** Whether two check digits hold what stands behind them (ISO/IEC 7064, mod 97-10). */
function checks(bare: string): boolean {
  let rest = 0;
  for (let at = 0; at < bare.length; at += 1) {
    const value = valueOf(bare.charCodeAt((at + 4) % bare.length));
    rest = (rest * (value > 9 ? 100 : 10) + value) % 97;
  }
  return rest === 1;
}

/** Whether a text is an IBAN: two letters, two digits, and mod 97 is 1 (ISO 13616-1, ISO/IEC 7064). */
export function isIban(text: string): boolean {
  const bare = text.replace(/[^0-9A-Za-z]/g, "").toUpperCase();
  if (!/^[A-Z]{2}\d{2}[A-Z0-9]{11,30}$/.test(bare)) return false;
  const land = bare.slice(0, 2);
  return land !== REFERENCE && (LENGTHS.get(land) ?? bare.length) === bare.length && checks(bare);
}

/** A part of a text, from its first letter to behind its last. */
export type Span = { readonly start: number; readonly end: number };

/** Where an IBAN may begin. */
const BEGINS = /[A-Za-z]{2}[ \u00a0]?\d[ \u00a0]?\d/g;
/** Between two signs of one number stands nothing, or up to two of these. */
const BETWEEN = /[\s.\-/_\u00a0\u2000-\u200d\u2010-\u2015\u202f\u2060\u3000]/;
const SIGN = /[0-9A-Za-z]/;

/**
 * Where IBANs stand in a text, whatever stands before and behind them: of a known land as long as
 * its IBANs are, of any other one up to where the signs end.
 */
export function ibansIn(text: string): Span[] {
  const found: Span[] = [];
  BEGINS.lastIndex = 0;
  for (let match = BEGINS.exec(text); match; match = BEGINS.exec(text)) {
    const span = ibanAt(text, match.index);
    // Another one may begin within what is none.
    BEGINS.lastIndex = span?.end ?? match.index + 1;
    if (span) found.push(span);
  }
  return found;
}

function ibanAt(text: string, start: number): Span | null {
  const land = text.slice(start, start + 2).toUpperCase();
  if (land === REFERENCE) return null;
  const length = LENGTHS.get(land);
  if (length === undefined) return unknownLand(text, start);
  const end = endOf(text, start, length);
  if (end === null || !isIban(text.slice(start, end))) return null;
  return standsAlone(text, start, end) && !hasWords(text.slice(start, end)) ? { start, end } : null;
}

/** Where so many letters and digits end that begin at a place; null where the text has fewer of them. */
function endOf(text: string, start: number, length: number): number | null {
  let [seen, apart] = [0, 0];
  for (let at = start; at < text.length; at += 1) {
    if (valueOf(text.charCodeAt(at)) >= 0) {
      seen += 1;
      apart = 0;
      if (seen === length) return at + 1;
    } else if ((apart += 1) > 2 || !BETWEEN.test(text[at] ?? "")) return null;
  }
  return null;
}

/** Behind other letters, as in a word `IBAN` before it, only digits are known as one: ids have letters too. */
function standsAlone(text: string, start: number, end: number): boolean {
  if (!SIGN.test(text[start - 1] ?? " ")) return true;
  // A code of MT940 before a part of its words: `?31`.
  if (/\?\d\d$/.test(text.slice(Math.max(0, start - 3), start))) return true;
  if (/IBAN$/i.test(text.slice(Math.max(0, start - 4), start))) return true;
  return !/[A-Za-z]/.test(text.slice(start + 2, end));
}

/** Letters of a bank stand four in a row at most; more are a word. */
const hasWords = (text: string): boolean => /[A-Za-z]{7}|(?<![0-9A-Za-z])[A-Za-z]{5}/.test(text);

/** A land that nobody knows: between what is neither letter nor digit, as written at one go or in groups. */
const OF_NO_LAND = /^[A-Za-z]{2}\d{2}(?:[ .\u00a0-]?[0-9A-Za-z]){11,30}(?![0-9A-Za-z])/;

function unknownLand(text: string, start: number): Span | null {
  if (SIGN.test(text[start - 1] ?? " ")) return null;
  const [found] = OF_NO_LAND.exec(text.slice(start, start + 80)) ?? [];
  return found !== undefined && isIban(found) ? { start, end: start + found.length } : null;
}

const REFERENCES = /(?<![0-9A-Za-z])RF\d{2}[0-9A-Za-z]{1,21}(?![0-9A-Za-z])/gi;

/** Where creditor references stand (ISO 11649), written at one go: numbers of what is paid, which stay. */
export function referencesIn(text: string): Span[] {
  if (!/RF\d\d/i.test(text)) return [];
  return [...text.matchAll(REFERENCES)]
    .filter(({ 0: found }) => checks(found))
    .map(({ index, 0: found }) => ({ start: index, end: index + found.length }));
}
