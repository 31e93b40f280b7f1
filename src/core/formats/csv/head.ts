import { headWords } from "../plainWords";

import { FIELDS } from "../fields";

/** Names that columns go by, of every kind of file. */
const KNOWN = new Set(
  Object.values(FIELDS).flatMap((fields) => fields.flatMap(({ names }) => names.map(headWords))),
);
/** Records above the head: a title, the account, the span. */
const MOST_ABOVE = 40;

const isFact = (cell: string): boolean => /^[-+($€£]?\s?\d/.test(cell.trim());

/** How many cells of a record are names of columns; none where one of them is a fact, like a sum. */
function namesIn(cells: readonly string[]): number {
  if (cells.some(isFact)) return 0;
  return cells.filter((cell) => KNOWN.has(headWords(cell))).length;
}

/**
 * Where the head of a list stands: the first record unless a later one names more columns, and at
 * least two. Titles and the account's own lines above it are no part of the list.
 */
export function headAt(records: readonly (readonly string[])[]): number {
  let [best, at] = [Math.max(1, namesIn(records[0] ?? [])), 0];
  for (const [index, cells] of records.slice(0, MOST_ABOVE).entries()) {
    const names = namesIn(cells);
    if (names > best) [best, at] = [names, index];
  }
  return at;
}
