import type Database from "better-sqlite3";
import { existsSync, statSync } from "node:fs";

import { schemaVersion } from "./migrate";

/** What the files of books bear as their application id: "Dozo" (SQLite file format, 1.3.20). */
const APPLICATION_ID = 1_148_156_527;

/** The last version of the schema that bore no application id. */
const LAST_WITHOUT_ID = 9;

/**
 * Whether a file is a book, and whole: not an empty file, another program's, or one that was cut
 * off. Books made before they bore an id are known by their tables. Nothing is written to it.
 */
export function isBook(raw: Database.Database, path: string): boolean {
  const id = raw.pragma("application_id", { simple: true });
  const version = schemaVersion(raw);
  const known =
    id === APPLICATION_ID
      ? version > LAST_WITHOUT_ID
      : id === 0 && version > 0 && version <= LAST_WITHOUT_ID && hasTables(raw);
  return known && !isCutOff(raw, path);
}

const hasTables = (raw: Database.Database): boolean =>
  raw
    .prepare(
      "SELECT 1 FROM sqlite_schema WHERE type = 'table' AND name IN ('entry_line', 'command')",
    )
    .all().length === 2;

/** Whether the file is shorter than it says; what lies in the log beside it counts, so only without one. */
function isCutOff(raw: Database.Database, path: string): boolean {
  const log = `${path}-wal`;
  if (existsSync(log) && statSync(log).size > 0) return false;
  const pages = Number(raw.pragma("page_count", { simple: true }));
  return statSync(path).size < pages * Number(raw.pragma("page_size", { simple: true }));
}
