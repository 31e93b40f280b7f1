import { readFileSync } from "node:fs";

import { decodeText, formatOf, type Table } from "@/core/formats";
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

/** One line of a kept file as it was given. */
export function lineOf(
  book: string,
  sha256: string,
  line: number,
): Result<{ headers: readonly string[]; cells: readonly string[] }> {
  const table = tableOf(book, sha256);
  if (!table.ok) return table;
  const row = table.value.rows.find((row) => row.line === line);
  return row ? ok({ headers: table.value.headers, cells: row.cells }) : fail("file.missing");
}

/** Which rows of a file are looked at: a page, or the page that a line stands on. */
export type RowsAsked = { line: number | null; page: number | null; pageRows: number };
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
  { line, page: wanted, pageRows }: RowsAsked,
): Result<ShownRows> {
  const table = tableOf(book, sha256);
  if (!table.ok) return table;
  const { headers, rows } = table.value;
  const at = line === null ? -1 : rows.findIndex((row) => row.line === line);
  const page = wanted ?? Math.floor(Math.max(0, at) / pageRows) + 1;
  const shown = rows.slice((page - 1) * pageRows, page * pageRows);
  return ok({ headers, rows: shown, count: rows.length, page });
}
