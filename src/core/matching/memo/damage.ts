import type { MatchItem } from "../types";
import { type UnresolvedToken } from "./mention";
import { compact, coreOf } from "./patterns";

/**
 * Optimal string alignment (Damerau 1964; Lowrance and Wagner 1975), up to a bound. @example
 * editDistance("CA", "ABC", 5) // 3
 */
export function editDistance(a: string, b: string, bound: number): number {
  if (Math.abs(a.length - b.length) > bound) return bound + 1;
  const start = Array.from({ length: b.length + 1 }, (_, at) => at);
  let rows: Rows = { older: [], old: start };
  for (let i = 1; i <= a.length; i += 1) rows = { older: rows.old, old: nextRow(a, b, i, rows) };
  return rows.old[b.length] ?? bound + 1;
}

/** The last two rows of the table of distances. */
type Rows = { older: number[]; old: number[] };

function nextRow(a: string, b: string, i: number, { older, old }: Rows): number[] {
  const now = [i];
  const at = (row: number[], j: number): number => row[j] ?? 0;
  for (let j = 1; j <= b.length; j += 1) {
    const cost = a[i - 1] === b[j - 1] ? 0 : 1;
    const edited = Math.min(at(old, j) + 1, at(now, j - 1) + 1, at(old, j - 1) + cost);
    const swapped = i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1];
    now[j] = swapped ? Math.min(edited, at(older, j - 2) + 1) : edited;
  }
  return now;
}

/** At most one edit apart; where the two begin and end too differently that is seen without computing. */
function isOneEdit(a: string, b: string): boolean {
  if (Math.abs(a.length - b.length) > 1) return false;
  const least = Math.min(a.length, b.length);
  let [front, back] = [0, 0];
  while (front < least && a[front] === b[front]) front += 1;
  while (back < least && a[a.length - 1 - back] === b[b.length - 1 - back]) back += 1;
  return front + back >= least - 2 && editDistance(a, b, 1) <= 1;
}

/**
 * Open items that a stray word may be, if it was damaged on the way: a swap or
 * one wrong digit, cut at the end of the field, or cut in front. Tested only
 * against items that fit already by their payer.
 */
export function mayBe(stray: UnresolvedToken, items: readonly MatchItem[]): MatchItem[] {
  const letters = compact(stray.text);
  return items.filter((item) => {
    const [number, core] = [compact(item.number), coreOf(item.number)];
    return (
      isCutBehind(stray, letters, number, core) ||
      isCutInFront(stray, core) ||
      isOneOff(stray, letters, number, core)
    );
  });
}

/** Whether a word is an item's number but for what is missing in front or behind. */
export function isCut(stray: UnresolvedToken, item: MatchItem): boolean {
  const [number, core] = [compact(item.number), coreOf(item.number)];
  return isCutInFront(stray, core) || isCutBehind(stray, compact(stray.text), number, core);
}

/** At the end of the field one to three letters, or one digit, may be missing. */
function isCutBehind(
  { last, digits }: UnresolvedToken,
  letters: string,
  number: string,
  core: string,
): boolean {
  if (!last) return false;
  const missing = number.length - letters.length;
  if (letters.length >= 3 && missing >= 1 && missing <= 3 && number.startsWith(letters))
    return true;
  return digits.length >= 3 && core.length - digits.length === 1 && core.startsWith(digits);
}

const isCutInFront = ({ text }: UnresolvedToken, core: string): boolean => {
  const written = text.replace(/\D/g, "");
  return written.length >= 3 && core.length > written.length && core.endsWith(written);
};

/** A swap or one wrong letter, in a word that is long enough to say something. */
function isOneOff(
  { digits }: UnresolvedToken,
  letters: string,
  number: string,
  core: string,
): boolean {
  const some = digits.length >= 3;
  const long = digits.length >= 4 || letters.length >= 6 || (some && letters.length >= 5);
  return long && ((some && isOneEdit(digits, core)) || isOneEdit(letters, number));
}
