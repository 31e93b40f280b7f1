import type { MappingSpec } from "@/core/formats";
import { headLineIn } from "@/core/readings";
import type { Result } from "@/core/result";
import { documentsOfLine, importFileById, type ImportFileRow } from "@/db/files";
import type { BookContext } from "@/server/runtime/bookContext";

import type { ShownRows } from "../imports/read";

export type FileFacts = {
  file: ImportFileRow;
  headers: readonly string[];
  rows: { line: number; cells: readonly string[] }[];
  count: number;
  page: number;
  /** What the line that is looked at became. */
  documents: { words: string; href: string }[];
};

/**
 * A page of a file as it was kept; the page of a line where one is looked at. Null where there is no
 * such file. `read` reads the rows, where foreign files are read.
 */
export async function filePage(
  { db }: BookContext,
  id: number,
  asked: { line: number | null; page: number | null; pageRows: number },
  read: (sha256: string, head: number | undefined) => Promise<Result<ShownRows>>,
): Promise<FileFacts | null> {
  const file = importFileById(db, id);
  if (!file) return null;
  const { answers = {} } = JSON.parse(file.mapping) as Partial<MappingSpec>;
  const shown = await read(file.sha256, headLineIn(answers.head));
  return {
    file,
    ...(shown.ok ? shown.value : { headers: [], rows: [], count: 0, page: 1 }),
    documents: asked.line === null ? [] : documentsOfLine(db, file.id, asked.line),
  };
}
