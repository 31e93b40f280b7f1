/** The head of the column that says under which line of words a line stands. */
export const HEADING = "Heading above";

type Row = { readonly line: number; readonly cells: readonly string[] };
type List = { readonly headers: readonly string[]; readonly rows: readonly Row[] };

/** A line of fewer cells than this is no line of a list. */
const FEWEST = 3;

/**
 * A list printed in groups, with the words above each line in a column of its own: names that stand in
 * lines of their own where the lines below them have something else, as their day, and what stands above
 * each head of a list that repeats it. A group ends with the line that names it once more, as `Total for
 * Alder` does. Any other list stays as it is.
 * @param above What stands above the head of the list.
 * @example "Alder" above "11/02/2026,3001,10.00" // "11/02/2026,3001,10.00,Alder"
 */
export function withHeadings(list: List, above: readonly string[]): List {
  const heads = headsAgain(list);
  const others = heads.size === 0 ? new Set<number>() : headsOfOthers(list);
  for (const line of others) heads.add(line);
  const last = above.filter((text) => text.trim() !== "").at(-1) ?? "";
  const isOfOne = heads.size === 0 && OF_ONE.test(last.trim()) && isOpenItems(list);
  const isNamed = isOfOne || (heads.size === 0 && isGrouped(list));
  if (heads.size === 0 && !isNamed) return list;
  let name = isNamed && !isOfOne ? "" : bareName(last);
  let before = 0;
  const rows = list.rows.map((row): Row => {
    const isName = isNamed ? isNameOf(row, isOfOne) : heads.has(row.line);
    if (isName || (isNamed && endsGroup(row, name))) name = "";
    // Words alone stay alone, to be told by that.
    const isOther = others.has(before);
    before = row.line;
    if (isOther) return { ...row, cells: [...list.headers, ""] };
    const under = isHead(list, row) || filled(row.cells) === 1 ? "" : name;
    const said = row.cells.concat(Array<string>(short(list, row)).fill(""), under);
    if (isName) name = bareName(first(row));
    return { ...row, cells: said };
  });
  return { headers: [...list.headers, HEADING], rows };
}

/** Whether a line of such a list is the name of the group below it. */
export const isGroupName = ({ headers }: Pick<List, "headers">, { cells }: Row): boolean =>
  headers.at(-1) === HEADING && filled(cells) === 1 && (cells[0] ?? "").trim() !== "";

/** Lines of words that stand right above a head which is there once more. */
function headsAgain(list: List): Set<number> {
  return new Set(
    list.rows.flatMap((row, at) => {
      const next = list.rows[at + 1];
      return next && isHead(list, next) && isHeading(row) ? [row.line] : [];
    }),
  );
}

/** Lines of words above a head that has other names for some of the same columns. */
function headsOfOthers(list: List): ReadonlySet<number> {
  return new Set(
    list.rows.flatMap((row, at) => {
      const next = list.rows[at + 1];
      return next && isHeading(row) && isLikeHead(list, next) ? [row.line] : [];
    }),
  );
}

/** Words alone, two of them those of the head, each in its place. */
const isLikeHead = ({ headers }: List, { cells }: Row): boolean =>
  cells.every((cell) => !/\d/.test(cell)) &&
  headers.filter((head, at) => head !== "" && (cells[at] ?? "").trim() === head).length >= 2;

const isHead = ({ headers }: List, { cells }: Row): boolean =>
  cells[0] === headers[0] && headers.every((head, at) => (cells[at] ?? "").trim() === head);

/** The word for what a name is, before it: `Customer: Alder`. */
const OF_ONE = /^(?:customer|client|debtor|kunde|cliente?|debiteur)\s*:\s*(?=\S)/i;

/** The name of a group without that word. */
const bareName = (text: string): string => text.trim().replace(OF_ONE, "");

/** Where the word for it stands above the head, it stands before each other name, too. */
const isNameOf = (row: Row, isOfOne: boolean): boolean =>
  isHeading(row) && (!isOfOne || OF_ONE.test(first(row)));

/** Heads of what is open by the day on which it is due, and of whose it is. */
const DUE =
  /\b(?:due|overdue|maturity|f[aä]llig\w*|[eé]ch[eé]ance|vencimiento|scadenza|vervaldatum)\b/i;
const WHOSE =
  /\b(?:customer|client|debtor|account|name|company|bill(?:ed)? to|kunde\w*|cliente?|debiteur)\b/i;

/** Whether a list says when each line is due, and of nobody whose it is. */
const isOpenItems = ({ headers }: List): boolean =>
  headers.some((head) => DUE.test(head)) && !headers.some((head) => WHOSE.test(head));

/** Whether names and the cells of lines share the first column. */
function isGrouped({ rows, headers }: List): boolean {
  const [top] = rows;
  if (!top || !isHeading(top) || headers.length < FEWEST) return false;
  const isTotal = (cells: readonly string[]): boolean => cells.some((cell) => TOTAL.test(cell));
  const lines = new Set(
    rows.filter(({ cells }) => filled(cells) >= FEWEST && !isTotal(cells)).map(first),
  );
  const names = rows.filter(isHeading).map(first);
  if (lines.size === 0 || lines.has("") || names.some((name) => lines.has(name))) return false;
  // Days and numbers are no names; of other words the total of a group says that it is one.
  const areFacts = [...lines].every((cell) => /^\d|^[^\s\d]*\d\S*$/.test(cell));
  return areFacts || rows.some((row) => endsGroup(row, first(top)));
}

/** Words alone in their line, where it begins. */
const isHeading = (row: Row): boolean =>
  filled(row.cells) === 1 && /^\p{L}|^\d+ ?[-–+] ?\d* ?\p{L}|^\d+ \p{L}/u.test(first(row));

/** Words of what a group comes to, beside its name. */
const TOTAL = /\b(?:sub ?)?(?:total|totals|summe|totaal|totale)\b/i;

const endsGroup = (row: Row, name: string): boolean =>
  name !== "" && first(row).includes(name) && TOTAL.test(first(row).replace(name, " "));

const first = ({ cells }: Row): string => (cells[0] ?? "").trim();

const short = ({ headers }: List, { cells }: Row): number =>
  Math.max(0, headers.length - cells.length);

const filled = (cells: readonly string[]): number =>
  cells.filter((cell) => cell.trim() !== "").length;
