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
export function readTable(
  text: string,
): Result<Table, "file.empty" | "file.no_rows" | "file.columns" | "file.headers" | "file.quotes"> {
  const bare = text.charCodeAt(0) === 0xfeff ? text.slice(1) : text;
  if (bare.trim() === "") return fail("file.empty");
  const parsed = Papa.parse<string[]>(bare, { delimiter: delimiterOf(bare) });
  const quotes = parsed.errors.find((error) => error.type === "Quotes");
  if (quotes) return fail("file.quotes", { line: (quotes.row ?? 0) + 1 });
  const headers = (parsed.data[0] ?? []).map((header) => header.trim());
  if (headers.length > MOST_COLUMNS)
    return fail("file.columns", { count: headers.length, most: MOST_COLUMNS });
  const named = headers.filter((header) => header !== "");
  const twice = named.find((header, index) => named.indexOf(header) !== index);
  if (named.length === 0 || twice !== undefined)
    return fail("file.headers", { twice: twice ?? "" });
  const rows = parsed.data
    .map((cells, index) => ({ line: index + 1, cells }))
    .slice(1)
    .filter(({ cells }) => cells.some((cell) => cell.trim() !== ""));
  return rows.length === 0 ? fail("file.no_rows") : ok({ headers, rows });
}
