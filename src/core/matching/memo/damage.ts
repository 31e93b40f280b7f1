import type { MatchItem } from "../types";
import { compact, coreOf, type UnresolvedToken } from "./memo";

/**
 * Optimal string alignment (Damerau 1964; Lowrance and Wagner 1975), up to a bound. @example
 * editDistance("CA", "ABC", 5) // 3
 */
export function editDistance(a: string, b: string, bound: number): number {
  if (Math.abs(a.length - b.length) > bound) return bound + 1;
  let [older, old, now]: number[][] = [[], Array.from({ length: b.length + 1 }, (_, at) => at), []];
  for (let i = 1; i <= a.length; i += 1) {
    now = [i];
    for (let j = 1; j <= b.length; j += 1) {
      const cost = a[i - 1] === b[j - 1] ? 0 : 1;
      let best = Math.min((old?.[j] ?? 0) + 1, (now[j - 1] ?? 0) + 1, (old?.[j - 1] ?? 0) + cost);
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1])
        best = Math.min(best, (older?.[j - 2] ?? 0) + 1);
      now[j] = best;
    }
    [older, old] = [old ?? [], now];
  }
  return old?.[b.length] ?? bound + 1;
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
    if (
      stray.last &&
      letters.length >= 3 &&
      number.length - letters.length >= 1 &&
      number.length - letters.length <= 3 &&
      number.startsWith(letters)
    )
      return true;
    if (
      stray.last &&
      stray.digits.length >= 3 &&
      core.length - stray.digits.length === 1 &&
      core.startsWith(stray.digits)
    )
      return true;
    if (
      stray.digits.length >= 3 &&
      core.length > stray.digits.length &&
      core.endsWith(stray.digits)
    )
      return true;
    return (
      (stray.digits.length >= 4 ||
        letters.length >= 6 ||
        (stray.digits.length >= 3 && letters.length >= 5)) &&
      ((stray.digits.length >= 3 && isOneEdit(stray.digits, core)) || isOneEdit(letters, number))
    );
  });
}
