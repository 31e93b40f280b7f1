/** Lines that a list in columns has, at the least; and its columns. */
const FEWEST_LINES = 2;
const FEWEST_COLUMNS = 3;
/** Letters that such a list is told by. */
const MOST_LOOKED_AT = 20_000;
/** Blanks that part two columns. */
const APART = / {2,}/;
/** What a line of such a list has: a day, and a sum with its decimals. */
const DAY = /(?:^|\s)(?:\d{1,4}[/.-]\d{1,2}[/.-]\d{2,4}|\d{1,2}[- ][a-z]{3}[- ]\d{2,4})(?=\s|$)/i;
const SUM = /\d[.,]\d\d(?:\)|-|\s?(?:cr|dr))?(?=\s|$)/i;
const STROKES = /^[-=_ ]+$/;
/** Letters that part cells in other lists. */
const DELIMITED = /[;\t|]|,.*,/;

/** Where a column begins and ends, in letters. */
type Column = { readonly from: number; readonly to: number };
type Piece = Column & { readonly text: string };

/**
 * The records of a printed list, whose columns stand below one another and are parted by blanks; a
 * record for each line. Null where the text is no such list.
 * @example "11/13/26  ACH ADA     20.00" // ["11/13/26", "ACH ADA", "20.00"]
 */
export function printedRecords(text: string): string[][] | null {
  const looked = linesOf(text.slice(0, MOST_LOOKED_AT));
  if (looked.filter(isLine).length < FEWEST_LINES) return null;
  const lines = linesOf(text);
  const facts = lines.flatMap((line, at) => (isLine(line) ? [at] : []));
  const [first = 0] = facts;
  const head = headAbove(lines, first);
  if (facts.length < FEWEST_LINES || head === null || DELIMITED.test(head)) return null;
  const columns = columnsOf(facts.map((at) => lines[at] ?? ""));
  if (columns.length < FEWEST_COLUMNS) return null;
  const page = new Set(lines.slice(0, lines.indexOf(head)).map(shapeOf));
  return lines.map((line, at) => {
    if (line === head) return placed(columns, pieces(line, /\s+/));
    if (at < first && isLabelled(line)) return line.trim().split(APART);
    const isOf = at >= first || STROKES.test(line);
    // What goes on stands below what it goes on from; a name or the head of a page begins the line.
    const isApart = APART.test(line.trim()) || /^ {2}/.test(line);
    return isOf && isApart && !page.has(shapeOf(line))
      ? placed(columns, pieces(line, APART))
      : [line.trim()];
  });
}

/** A line but for its numbers: the head of a page is the same on each. */
const shapeOf = (line: string): string => line.trim().replace(/\d+/g, "9");

const linesOf = (text: string): string[] => text.split(/\r\n|\n|\r/).map((line) => line.trimEnd());

const isLine = (line: string): boolean =>
  DAY.test(line) &&
  SUM.test(line) &&
  line.trim().split(APART).length >= FEWEST_COLUMNS &&
  !isLabelled(line);

/** A label before each value: what a page says of all its lines. */
const isLabelled = (line: string): boolean =>
  line
    .trim()
    .split(APART)
    .every((piece) => /^\p{L}[\p{L} ]{1,30}:\s*\S/u.test(piece));

/** The last line above the first line of the list that has names of columns; null where there is none. */
const headAbove = (lines: readonly string[], first: number): string | null =>
  lines
    .slice(0, first)
    .filter((line) => !STROKES.test(line))
    .findLast((line) => line.trim().split(APART).length >= FEWEST_COLUMNS) ?? null;

/** The columns of lines: what lies between blanks that all of them have in the same place. */
function columnsOf(lines: readonly string[]): Column[] {
  const width = lines.reduce((most, { length }) => Math.max(most, length), 0);
  const isBlank = (at: number): boolean => lines.every((line) => (line[at] ?? " ") === " ");
  const columns: { from: number; to: number }[] = [];
  for (let at = 0; at < width; at += 1) {
    if (isBlank(at)) continue;
    const last = columns.at(-1);
    if (last !== undefined && at - last.to < 2) last.to = at + 1;
    else columns.push({ from: at, to: at + 1 });
  }
  return columns;
}

/** The pieces of a line with their places. */
function pieces(line: string, apart: RegExp): Piece[] {
  let from = 0;
  return line.split(apart).flatMap((text) => {
    const at = line.indexOf(text, from);
    from = at + text.length;
    return text === "" ? [] : [{ text, from: at, to: from }];
  });
}

/** Each piece in the column that it stands in, or next to. */
function placed(columns: readonly Column[], all: readonly Piece[]): string[] {
  const cells = columns.map((): string[] => []);
  for (const piece of all) {
    const distances = columns.map((column) => apartBy(column, piece));
    cells[distances.indexOf(Math.min(...distances))]?.push(piece.text);
  }
  return cells.map((texts) => texts.join(" "));
}

/** How far a piece stands from a column; below zero where it stands in it. */
const apartBy = (column: Column, piece: Column): number =>
  Math.max(column.from, piece.from) - Math.min(column.to, piece.to);
