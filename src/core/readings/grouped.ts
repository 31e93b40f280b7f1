/**
 * Some in groups by a key, in the order in which the keys come; null leaves one out.
 * @example groupedBy([1, 2, 3], (n) => (n % 2 === 0 ? "even" : "odd")) // odd: 1, 3; even: 2
 */
export function groupedBy<T>(
  all: readonly T[],
  keyOf: (one: T) => string | null,
): ReadonlyMap<string, readonly T[]> {
  const groups = new Map<string, T[]>();
  for (const one of all) {
    const key = keyOf(one);
    if (key === null) continue;
    const group = groups.get(key);
    if (group) group.push(one);
    else groups.set(key, [one]);
  }
  return groups;
}

/** So many words are asked about at once; a column of more is no column of words, and says so by that. */
const MOST_ASKED = 30;

/** Lines by a word that says nothing sure, as many words as are asked about; the others come after them. */
export const openWords = <T>(
  all: readonly T[],
  wordOf: (one: T) => string | null,
): (readonly [string, readonly T[]])[] => [...groupedBy(all, wordOf)].slice(0, MOST_ASKED);
