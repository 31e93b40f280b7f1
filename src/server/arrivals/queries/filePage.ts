import { documentsOfLine, importFileById, type ImportFileRow } from "@/db/files";
import type { BookContext } from "@/server/runtime/bookContext";

import { tableOf } from "../imports/read";

export type FileFacts = {
  file: ImportFileRow;
  headers: readonly string[];
  rows: { line: number; cells: readonly string[] }[];
  count: number;
  page: number;
  /** What the line that is looked at became. */
  documents: { words: string; href: string }[];
};

/** A page of a file as it was kept; the page of a line where one is looked at. Null where there is no such file. */
export function filePage(
  { db, book }: BookContext,
  id: number,
  asked: { line: number | null; page: number | null; pageRows: number },
): FileFacts | null {
  const file = importFileById(db, id);
  if (!file) return null;
  const table = tableOf(book, file.sha256);
  const rows = table.ok ? table.value.rows : [];
  const at = asked.line === null ? -1 : rows.findIndex((row) => row.line === asked.line);
  const page = asked.page ?? Math.floor(Math.max(0, at) / asked.pageRows) + 1;
  return {
    file,
    headers: table.ok ? table.value.headers : [],
    rows: rows.slice((page - 1) * asked.pageRows, page * asked.pageRows),
    count: rows.length,
    page,
    documents: asked.line === null ? [] : documentsOfLine(db, file.id, asked.line),
  };
}
