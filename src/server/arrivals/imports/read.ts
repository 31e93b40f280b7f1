import { readFileSync } from "node:fs";

import { decodeText, formatOf, headedAt, type Table } from "@/core/formats";
import { fail, ok, type Result } from "@/core/result";
import { keptFile } from "@/server/runtime/folders";

const tables = new Map<string, Table>();

/** The table of a kept file; the last few stay in memory while their mapping is worked on. */
export function tableOf(book: string, sha256: string): Result<Table> {
  if (!/^[0-9a-f]{64}$/.test(sha256)) return fail("file.missing");
  const key = `${book}/${sha256}`;
  const known = tables.get(key);
  if (known) return ok(known);
  let bytes: Buffer;
  try {
    bytes = readFileSync(keptFile(book, sha256));
  } catch {
    return fail("file.missing");
  }
  const text = decodeText(bytes);
  if (!text.ok) return text;
  const { name: format, read } = formatOf(text.value);
  const table = read(text.value);
  if (!table.ok) return table;
  if (tables.size >= 3) tables.delete(tables.keys().next().value ?? "");
  const named = { ...table.value, format };
  tables.set(key, named);
  return ok(named);
}

/** A table that nobody asks for again. */
export function letGo(book: string, sha256: string): void {
  tables.delete(`${book}/${sha256}`);
}

/** One line of a kept file as it was given. */
export function lineOf(
  book: string,
  sha256: string,
  line: number,
): Result<{ headers: readonly string[]; cells: readonly string[] }> {
  const found = tableOf(book, sha256);
  if (!found.ok) return found;
  const table = withLine(found.value, line);
  const row = table.rows.find((row) => row.line === line);
  return row ? ok({ headers: table.headers, cells: row.cells }) : fail("file.missing");
}

/** Of a workbook with several lists the one that a line is of. */
function withLine(table: Table, line: number): Table {
  const own = table.sheets?.findLast(({ headLine }) => headLine < line);
  return own ? headedAt(table, own.headLine) : table;
}

/** Which rows of a file are looked at: a page, or the page that a line stands on. */
export type RowsAsked = {
  line: number | null;
  page: number | null;
  pageRows: number;
  /** The line of its head, where that was said. */
  head: number | undefined;
};
export type ShownRows = {
  headers: readonly string[];
  rows: { line: number; cells: readonly string[] }[];
  count: number;
  page: number;
};

/** A page of a kept file's rows. */
export function rowsOf(
  book: string,
  sha256: string,
  { line, page: wanted, pageRows, head }: RowsAsked,
): Result<ShownRows> {
  const table = tableOf(book, sha256);
  if (!table.ok) return table;
  const { headers, rows } = head === undefined ? table.value : headedAt(table.value, head);
  const at = line === null ? -1 : rows.findIndex((row) => row.line === line);
  const page = wanted ?? Math.floor(Math.max(0, at) / pageRows) + 1;
  const shown = rows.slice((page - 1) * pageRows, page * pageRows);
  return ok({ headers, rows: shown, count: rows.length, page });
}
