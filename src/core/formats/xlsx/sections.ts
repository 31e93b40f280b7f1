import { signIn } from "./locales";
import { inSections, OF_DAYS, type Piece, piecesOf } from "./pieces";

/** One of the parts of a number format: for all numbers, or for those above, below and at nothing. */
export type Section = {
  /** What it shows around the digits: a currency, words. */
  readonly before: string;
  readonly after: string;
  /** Whether it writes a minus or parentheses itself. */
  readonly isLess: boolean;
  /** Whether it is the section for what is less than nothing. */
  readonly isOfLess: boolean;
  readonly isDay: boolean;
  readonly isPercent: boolean;
  /** Whether it shows thousands, or millions, as one. */
  readonly isScaled: boolean;
  readonly hasDigits: boolean;
  readonly digits: number;
  /** The places of digits with what stands between them, where it is a number with a shape. */
  readonly pattern: string;
  /** All words, where it shows no digits. */
  readonly words: string;
  readonly condition: Condition | null;
};

type Condition = { readonly sign: string; readonly than: number };

/** The sections of a format, but for that of texts. */
export function sectionsOf(code: string): Section[] {
  const parts = inSections(piecesOf(code));
  return parts.slice(0, 3).map((pieces, at) => sectionOf(pieces, parts.length > 1 && at === 1));
}

/** A sign, in front or behind a currency; not the stroke of a name (`INV-`). */
const MINUS_BEFORE = /^\s*[-\u2212(]|[^a-z\s]\s*[-\u2212(]\s*$/i;

const CONDITION = /^([<>]=?|=|<>)(-?\d+(?:\.\d+)?)$/;

function sectionOf(pieces: readonly Piece[], isOfLess: boolean): Section {
  const marks = pieces.flatMap(({ kind, text }) => (kind === "mark" ? [text] : []));
  const brackets = pieces.flatMap(({ kind, text }) => (kind === "bracket" ? [text] : []));
  const isDigit = ({ kind, text }: Piece): boolean => kind === "mark" && /^[#0?]$/.test(text);
  const first = pieces.findIndex(isDigit);
  const last = pieces.findLastIndex(isDigit);
  const hasDigits = pieces.some(({ kind, text }) => kind === "mark" && /^[#0]$/.test(text));
  const before = textOf(pieces.slice(0, Math.max(0, first)));
  const after = textOf(pieces.slice(last + 1));
  const words = textOf(pieces).trim();
  const [, sign, than] = brackets.map((text) => CONDITION.exec(text)).find((found) => found) ?? [];
  return {
    before: bareWords(before),
    after: bareWords(after),
    isLess: MINUS_BEFORE.test(before) || /^\s*[-\u2212]\s*$/.test(after),
    isOfLess,
    isDay: isDay(marks, brackets),
    isPercent: marks.includes("%"),
    isScaled: pieces[last + 1]?.kind === "mark" && pieces[last + 1]?.text === ",",
    hasDigits,
    digits: digitsOf(marks),
    pattern: patternOf(pieces.slice(Math.max(0, first), last + 1)),
    words,
    condition: sign === undefined ? null : { sign, than: Number(than) },
  };
}

/** The words around a number, without the signs and the blanks that only set it apart. */
function bareWords(text: string): string {
  const isAside = (at: number): boolean => /[\s()+\u2212-]/.test(text.charAt(at));
  let [from, to] = [0, text.length];
  while (from < to && isAside(from)) from += 1;
  while (to > from && isAside(to - 1)) to -= 1;
  // The stroke of a name belongs to it.
  return /[a-z]$/i.test(text.slice(from, to)) && text.slice(to) === "-"
    ? text.slice(from)
    : text.slice(from, to);
}

function textOf(pieces: readonly Piece[]): string {
  return pieces
    .map(({ kind, text }) => {
      if (kind === "text") return text;
      return kind === "bracket" ? signIn(text) : "";
    })
    .join("");
}

/** Letters of days and times that are not those of a name; a time that runs on past a day is a length. */
function isDay(marks: readonly string[], brackets: readonly string[]): boolean {
  if (brackets.some((text) => /^(?:h+|m+|s+)$/i.test(text))) return false;
  return marks.some((mark) => OF_DAYS.test(mark));
}

function digitsOf(marks: readonly string[]): number {
  const point = marks.indexOf(".");
  if (point < 0) return 0;
  const behind = marks.slice(point + 1);
  const end = behind.findIndex((mark) => mark !== "0");
  return end < 0 ? behind.length : end;
}

/** Whole numbers that are filled up with zeros, or parted by strokes, are names and no sums. */
function patternOf(pieces: readonly Piece[]): string {
  const shape = pieces.map(({ text }) => text).join("");
  if (/[.,%?E]/.test(shape)) return "";
  return /^0{2,}/.test(shape) || /[^#0]/.test(shape) ? shape : "";
}

/** The section that a number is shown by; undefined where none is for it. */
export function sectionFor(sections: readonly Section[], value: number): Section | undefined {
  if (sections.some(({ condition }) => condition !== null))
    return (
      sections.find(({ condition }) => condition !== null && holds(condition, value)) ??
      sections.find(({ condition }) => condition === null)
    );
  const [first, second, third] = sections;
  if (value < 0) return second ?? first;
  return value === 0 ? (third ?? first) : first;
}

function holds({ sign, than }: Condition, value: number): boolean {
  switch (sign) {
    case "<":
      return value < than;
    case "<=":
      return value <= than;
    case ">":
      return value > than;
    case ">=":
      return value >= than;
    case "<>":
      return value !== than;
    default:
      return value === than;
  }
}
