import { dayText } from "./days";
import { type Section, sectionFor, sectionsOf } from "./sections";

/**
 * How a workbook shows the numbers of a cell.
 * Source: ECMA-376, part 1, 18.8.30 (numFmt) and 18.8.31 (numFmts), from memory.
 */
export type NumberFormat = {
  readonly code: string;
  readonly sections: readonly Section[];
  /** Digits behind the point that it shows. */
  readonly digits: number;
};

export function numberFormat(code: string): NumberFormat {
  const sections = sectionsOf(code);
  return { code, sections, digits: sections[0]?.digits ?? 0 };
}

/** Digits of a number that a workbook can be sure of (IEEE 754 double, as its programs write it). */
const SURE_DIGITS = 1e15;

/**
 * A number of a cell as text that says all that the sheet shows: a day as ISO, else the number with a
 * point, and what stands around it (`€ 12.50`, `200.00 CR`, `INV-0401`). What it shows as less than
 * nothing is less than nothing, in whatever way. What is only shorter (rounded, in thousands) stays
 * whole.
 */
export function shownNumber(value: number, format: NumberFormat, is1904: boolean): string {
  const section = sectionFor(format.sections, value);
  if (section === undefined) return plain(value, format.digits);
  if (section.isDay) return dayText(value, is1904) ?? plain(value, 0);
  return otherThanSum(value, format, section) ?? sumIn(value, format, section);
}

/** What is a share, words in the place of a number, or shown in thousands; null where it is neither. */
function otherThanSum(value: number, format: NumberFormat, section: Section): string | null {
  if (section.isPercent) return `${plain(value * 100, 0)}%`;
  if (!section.hasDigits)
    return /[a-z]/i.test(section.words) ? section.words : plain(value, format.digits);
  return section.isScaled ? plain(value, 0) : null;
}

function sumIn(value: number, format: NumberFormat, section: Section): string {
  const { before, after } = section;
  const size = section.pattern === "" ? plain(Math.abs(value), format.digits) : null;
  const digits = size ?? inPattern(Math.abs(value), section.pattern);
  // Without a sign of its own a section for what is less than nothing is told by its value.
  const saysSign = SIDES.test(before) || SIDES.test(after);
  const isLess = section.isLess || (value < 0 && !(section.isOfLess && saysSign));
  return `${isLess ? "-" : ""}${joined(before, digits, after)}`;
}

/** Words that say which side a sum is on. */
const SIDES = /^(?:cr|dr|c|d|credit|debit|h|s|haben|soll|haber|debe)\.?$/i;

/** A name goes right before its number (`INV-0401`); a currency and other words stand apart. */
function joined(before: string, digits: string, after: string): string {
  const lead = before === "" || /[-#/._$€£¥]$/.test(before) ? before : `${before} `;
  const tail = after === "" || /^[-/._]/.test(after) ? after : ` ${after}`;
  return `${lead}${digits}${tail}`;
}

/** With the digits that are shown, where they say all of it; else as it stands. */
function plain(value: number, digits: number): string {
  if (Math.abs(value) >= SURE_DIGITS) return value.toExponential().toUpperCase();
  const scale = 10 ** digits;
  const isWhole = Math.abs(value * scale - Math.round(value * scale)) < 1e-6;
  return digits > 0 && isWhole ? value.toFixed(digits) : String(Number(value.toFixed(6)));
}

/** A whole number with its digits where the pattern has them: `00000`, `000-00`. */
function inPattern(value: number, pattern: string): string {
  if (!Number.isInteger(value) || value >= SURE_DIGITS) return plain(value, 0);
  const left = [...String(value)];
  const written: string[] = [];
  for (const mark of [...pattern].reverse()) {
    if (mark !== "0" && mark !== "#") {
      if (left.length > 0 || pattern.includes("0")) written.unshift(mark);
      continue;
    }
    const digit = left.pop() ?? (mark === "0" ? "0" : "");
    written.unshift(digit);
  }
  return left.join("") + written.join("");
}
