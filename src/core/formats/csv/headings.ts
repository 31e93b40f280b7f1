/** The head of the column that says under which line of words a line stands. */
export const HEADING = "Heading above";

type Row = { readonly line: number; readonly cells: readonly string[] };
type List = { readonly headers: readonly string[]; readonly rows: readonly Row[] };

/** A line of fewer cells than this is no line of a list. */
const FEWEST = 3;

/**
 * A list printed in groups, whose names stand in lines of their own in a column that the lines below
 * them use for something else, as their day: with the name above each line in a column of its own.
 * A group ends with the line that names it once more, as `Total for Alder` does. Any other list stays
 * as it is.
 * @example "Alder" above "11/02/2026,3001,10.00" // "11/02/2026,3001,10.00,Alder"
 */
export function withHeadings(list: List): List {
  const at = headingPlace(list);
  if (at === null) return list;
  let above = "";
  const rows = list.rows.map((row): Row => {
    const own = isHeading(row, at);
    if (own || endsGroup(row, at, above)) above = "";
    const said = row.cells.concat(Array<string>(short(list, row)).fill(""), above);
    if (own) above = cellAt(row, at);
    return { ...row, cells: said };
  });
  return { headers: [...list.headers, HEADING], rows };
}

/** Whether a line of such a list is the name of the group below it. */
export const isGroupName = ({ headers }: Pick<List, "headers">, { cells }: Row): boolean =>
  headers.at(-1) === HEADING && filled(cells) === 1;

/** The column in which names and lines share a place; null where there is none. */
function headingPlace({ rows, headers }: List): number | null {
  const [first] = rows;
  const at = first ? first.cells.findIndex((cell) => cell.trim() !== "") : -1;
  if (!first || !isHeading(first, at) || headers.length < FEWEST) return null;
  const lines = new Set(
    rows.filter(({ cells }) => filled(cells) >= FEWEST).map((row) => cellAt(row, at)),
  );
  const names = rows.filter((row) => isHeading(row, at)).map((row) => cellAt(row, at));
  if (lines.size === 0 || lines.has("") || names.some((name) => lines.has(name))) return null;
  // Days and numbers are no names; of other words the total of a group says that it is one.
  const areFacts = [...lines].every((cell) => /^\d/.test(cell));
  return areFacts || rows.some((row) => endsGroup(row, at, cellAt(first, at))) ? at : null;
}

/** Words alone in their line, where the names of groups stand. */
const isHeading = ({ cells }: Row, at: number): boolean =>
  filled(cells) === 1 &&
  /^\p{L}|^\d+ ?[-–+] ?\d* ?\p{L}|^\d+ \p{L}/u.test((cells[at] ?? "").trim());

const endsGroup = (row: Row, at: number, name: string): boolean =>
  name !== "" && cellAt(row, at) !== name && cellAt(row, at).includes(name);

const cellAt = ({ cells }: Row, at: number): string => (cells[at] ?? "").trim();

const short = ({ headers }: List, { cells }: Row): number =>
  Math.max(0, headers.length - cells.length);

const filled = (cells: readonly string[]): number =>
  cells.filter((cell) => cell.trim() !== "").length;
