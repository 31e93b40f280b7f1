import Papa from "papaparse";

import { fail, ok, type Result } from "@/core/result";

/**
 * A table as a file gives it: a header and rows of text. `line` counts records with the header as
 * 1, as a spreadsheet does.
 */
export type Table = {
  readonly headers: readonly string[];
  readonly rows: readonly { readonly line: number; readonly cells: readonly string[] }[];
};

/** A bound on columns: more are a sign that the wrong file was chosen. */
const MOST_COLUMNS = 150;
/** What is taken in at once: more is given in parts, so that a file never takes what others need. */
export const MOST_ROWS = 500_000;
const MOST_CELLS = 8_000_000;
/** Letters of one line; a statement's longest has a few thousand. */
const MOST_LETTERS = 100_000;

/**
 * Bytes as text: UTF-8, with or without a byte order mark, or UTF-16 with one.
 * Anything else is refused, with the place of the first byte that is no UTF-8.
 */
export function decodeText(
  bytes: Uint8Array,
): Result<string, "file.empty" | "file.encoding" | "file.binary"> {
  if (bytes.length === 0) return fail("file.empty");
  if ((bytes[0] === 0xff && bytes[1] === 0xfe) || (bytes[0] === 0xfe && bytes[1] === 0xff)) {
    return ok(new TextDecoder(bytes[0] === 0xff ? "utf-16le" : "utf-16be").decode(bytes));
  }
  if (bytes.subarray(0, 4096).includes(0)) return fail("file.binary");
  try {
    return ok(new TextDecoder("utf-8", { fatal: true }).decode(bytes));
  } catch {
    return fail("file.encoding", { line: firstBadLine(bytes) });
  }
}

function firstBadLine(bytes: Uint8Array): number {
  let line = 1;
  let from = 0;
  for (let at = 0; at <= bytes.length; at += 1) {
    if (at < bytes.length && bytes[at] !== 10) continue;
    try {
      new TextDecoder("utf-8", { fatal: true }).decode(bytes.subarray(from, at));
    } catch {
      return line;
    }
    line += 1;
    from = at + 1;
  }
  return line;
}

/**
 * The delimiter that parts the header most often, outside quotes; a cell further down may hold any
 * of them.
 */
function delimiterOf(text: string): string {
  const counts: Record<string, number> = { ",": 0, ";": 0, "\t": 0, "|": 0 };
  let quoted = false;
  for (const letter of text) {
    if (letter === '"') quoted = !quoted;
    else if (!quoted && (letter === "\n" || letter === "\r")) break;
    else if (!quoted && letter in counts) counts[letter] = (counts[letter] ?? 0) + 1;
  }
  return Object.entries(counts).reduce(
    (best, entry) => (entry[1] > best[1] ? entry : best),
    [",", 0],
  )[0];
}

/** Reads RFC 4180 text; the delimiter is found (comma, semicolon, tab, bar). Blank lines are left out. */
export function readTable(text: string): Result<Table, TableError> {
  const bare = text.charCodeAt(0) === 0xfeff ? text.slice(1) : text;
  if (bare.trim() === "") return fail("file.empty");
  const long = longLine(bare);
  if (long !== null) return fail("file.line", { line: long, most: MOST_LETTERS });
  const parsed = parsedWithin(bare);
  if (!parsed.ok) return parsed;
  const headers = (parsed.value[0] ?? []).map((header) => header.trim());
  if (headers.length > MOST_COLUMNS)
    return fail("file.columns", { count: headers.length, most: MOST_COLUMNS });
  const named = headers.filter((header) => header !== "");
  const twice = named.find((header, index) => named.indexOf(header) !== index);
  if (named.length === 0 || twice !== undefined)
    return fail("file.headers", { twice: twice ?? "" });
  const rows = parsed.value
    .map((cells, index) => ({ line: index + 1, cells }))
    .slice(1)
    .filter(({ cells }) => cells.some((cell) => cell.trim() !== ""));
  return rows.length === 0 ? fail("file.no_rows") : ok({ headers, rows });
}

type TableError =
  | "file.empty"
  | "file.no_rows"
  | "file.columns"
  | "file.headers"
  | "file.quotes"
  | "file.line"
  | "file.rows"
  | "file.cells";

/** The first line that no table has: 1 for the first; null where there is none. */
function longLine(text: string): number | null {
  let line = 1;
  for (let from = 0; from < text.length; line += 1) {
    const end = text.indexOf("\n", from);
    const to = end < 0 ? text.length : end;
    if (to - from > MOST_LETTERS) return line;
    from = to + 1;
  }
  return null;
}

/** The cells of each row; reading stops where there are more than is taken in. */
function parsedWithin(
  text: string,
): Result<string[][], "file.quotes" | "file.rows" | "file.cells"> {
  const rows: string[][] = [];
  let cells = 0;
  let problem: Result<never, "file.quotes" | "file.rows" | "file.cells"> | null = null;
  Papa.parse<string[]>(text, {
    delimiter: delimiterOf(text),
    step: ({ data, errors }, parser) => {
      cells += data.length;
      if (errors.some(({ type }) => type === "Quotes"))
        problem = fail("file.quotes", { line: rows.length + 1 });
      else if (rows.length > MOST_ROWS) problem = fail("file.rows", { most: MOST_ROWS });
      else if (cells > MOST_CELLS) problem = fail("file.cells", { most: MOST_CELLS });
      if (problem) parser.abort();
      else rows.push(data);
    },
  });
  return problem ?? ok(rows);
}
