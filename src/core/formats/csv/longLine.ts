/** Letters of one line; a statement's longest has a few thousand. */
export const MOST_LETTERS = 100_000;

/** The first line that no table has: 1 for the first; null where there is none. */
export function longLine(text: string): number | null {
  let line = 1;
  for (let from = 0; from < text.length; line += 1) {
    const end = text.indexOf("\n", from);
    const to = end < 0 ? text.length : end;
    if (to - from > MOST_LETTERS) return line;
    from = to + 1;
  }
  return null;
}
