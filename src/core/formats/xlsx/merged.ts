/** A merged area is filled downwards so far. */
const MOST_MERGED = 5000;

/** The place of a column by the letters of a reference, from 0; -1 where it has none. */
export function columnOf(ref: string): number {
  const letters = /^[A-Z]{1,3}/.exec(ref)?.[0] ?? "";
  return [...letters].reduce((place, letter) => place * 26 + letter.charCodeAt(0) - 64, 0) - 1;
}

/** Words, or a day: what is no number. */
const isWords = (text: string): boolean => /^\d{4}-\d\d-\d\d/.test(text) || /[a-z]/i.test(text);

/**
 * What stands once for several lines below one another is said of each of those that have something:
 * words and days. A number may be the sum of them all.
 */
export function fillDown(rows: string[][], ref: string): void {
  const found = /^([A-Z]{1,3})(\d{1,7}):([A-Z]{1,3})(\d{1,7})$/.exec(ref);
  if (!found || found[1] !== found[3]) return;
  const at = columnOf(ref);
  const from = Number(found[2]);
  const text = rows[from - 1]?.[at] ?? "";
  if (!isWords(text)) return;
  for (const cells of rows.slice(from, Math.min(Number(found[4]), from + MOST_MERGED))) {
    if (cells.length === 0) continue;
    while (cells.length < at) cells.push("");
    cells[at] ||= text;
  }
}
