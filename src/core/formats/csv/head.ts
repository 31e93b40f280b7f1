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

/** A whole day, with its time perhaps: no column is called that. */
const DAY =
  /^(?:\d{4}[-/.]\d\d[-/.]\d\d|20\d{6}|\d{1,2}[./-]\d{1,2}[./-]\d{2,4}|\d{1,2}[- ][a-z]{3}[- ]\d{2,4})(?:[ t]\d\d:\d\d\S*)?$/i;
/** A sum with its decimals, its sign on either side, or its way in letters. */
const SUM = /^[-+(]?[$€£]?\s?-?[\d.,']{0,12}\d[.,]\d\d\)?\s?(?:[-+]|cr|dr|[cdhs])?$/i;
const isValue = (cell: string): boolean => [DAY, SUM].some((form) => form.test(cell.trim()));

/**
 * Where the head of a list stands: the first record unless a later one names more columns, and at
 * least two; -1 where no record names any and the first holds a day and a sum as the lines do. Titles
 * and the account's own lines above it are no part of the list.
 */
export function headAt(records: readonly (readonly string[])[]): number {
  const [first = []] = records;
  let [best, at] = [Math.max(1, namesIn(first)), 0];
  for (const [index, cells] of records.slice(0, MOST_ABOVE).entries()) {
    const names = namesIn(cells);
    if (names > best || (names === best && isSummary(records, at, index)))
      [best, at] = [names, index];
  }
  if (isSecondRow(records, at + 1)) return at + 1;
  return at === 0 && first.filter(isValue).length > 1 ? NO_HEAD : at;
}

/** Whether a record is the lower of two rows that are a head together: `Invoice, Invoice` over `No., Date`. */
function isSecondRow(records: readonly (readonly string[])[], at: number): boolean {
  const [above = [], here = [], below = []] = records.slice(at - 1, at + 2);
  const filled = here.filter((cell) => cell.trim() !== "");
  const isOver = above.some((name, place) => name.trim() !== "" && above.indexOf(name) !== place);
  const areWords = filled.length > 1 && filled.every((cell) => !/\d/.test(cell));
  const isOther = here.some((name, place) => name !== above[place]);
  return isOver && areWords && isOther && namesIn(here) > 1 && below.some(isFact);
}

/** Whether a name is one that columns go by. */
export const isColumnName = (name: string): boolean => KNOWN.has(headWords(name));

/** Whether a head has a line or two below it, and another one as good has the list: a summary stands above it. */
function isSummary(records: readonly (readonly string[])[], at: number, next: number): boolean {
  const isFilled = (cells: readonly string[]): boolean => cells.some((cell) => cell.trim() !== "");
  const [here, there] = [records[at] ?? [], records[next] ?? []];
  if (here.every((name, place) => name === there[place])) return false;
  const between = records.slice(at + 1, next).filter(isFilled).length;
  const below = records.slice(next + 1, next + 1 + MOST_ABOVE).filter(isFilled).length;
  return between > 0 && between <= 2 && below > between;
}

/** Of a list whose first record is a line already. */
export const NO_HEAD = -1;
