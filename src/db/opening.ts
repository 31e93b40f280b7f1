import Database from "better-sqlite3";
import { mkdirSync } from "node:fs";
import { dirname } from "node:path";

import { fail, ok, type Result } from "@/core/result";

import { Db } from "./connection";
import { withFiles } from "./fileFailure";
import { Hold } from "./hold";
import { isBook } from "./identity";
import { inodeOf } from "./inode";
import { sealAnew } from "./trail";
import { migrate, newestSchema, schemaVersion } from "./migrate";

/** Where those who have a book's file open say so. */
export const holdOf = (path: string): string => `${path}.hold`;

function prepared(raw: Database.Database): Database.Database {
  raw.pragma("journal_mode = WAL");
  raw.pragma("synchronous = FULL");
  raw.pragma("foreign_keys = ON");
  raw.pragma("recursive_triggers = ON");
  // The writer keeps its indexes' pages in memory; with SQLite's own 2 MB a large import reads them
  // again and again.
  raw.pragma("cache_size = -65536");
  raw.pragma("temp_store = MEMORY");
  return raw;
}

/** Makes the file with the newest schema. The caller has checked that it is not there. */
export function createFile(path: string): Db {
  mkdirSync(dirname(path), { recursive: true });
  const raw = prepared(new Database(path));
  migrate(raw, path);
  return new Db(raw, path);
}

/** Opens a book to write: brings its schema up to date first, with a copy of the file taken before. */
export function openToWrite(path: string): Result<Db> {
  return whileHeld(path, (hold) => {
    const raw = new Database(path, { fileMustExist: true, timeout: 10_000 });
    const problem = notABook(raw, path) ?? tooNew(raw);
    if (problem) return problem;
    const moved = migrate(prepared(raw), path);
    const db = new Db(raw, path, hold);
    if (moved) sealAnew(db, newestSchema());
    return ok(db);
  });
}

/** Opens a book to read only; readers never wait for the writer (WAL). */
export function openToRead(path: string): Result<Db> {
  return whileHeld(path, (hold) => {
    let raw = new Database(path, { fileMustExist: true, readonly: true, timeout: 10_000 });
    const problem = notABook(raw, path) ?? tooNew(raw);
    if (problem) return problem;
    if (schemaVersion(raw) < newestSchema()) {
      // A book of an older version is brought up to date before it is read.
      raw.close();
      const opened = openToWrite(path);
      if (!opened.ok) return opened;
      opened.value.close();
      raw = new Database(path, { fileMustExist: true, readonly: true, timeout: 10_000 });
    }
    return ok(new Db(raw, path, hold));
  });
}

/** Opens a file while it is said to be in use; that ends with the connection, or where it fails. */
function whileHeld(path: string, open: (hold: Hold) => Result<Db>): Result<Db> {
  return withFiles(() => {
    if (inodeOf(path) === null) return fail("book.missing");
    const hold = Hold.share(holdOf(path));
    if (hold === null) return fail("book.held");
    let opened: Result<Db> | null = null;
    try {
      opened = open(hold);
      // From here on it is known which book the connection is of.
      if (opened.ok) opened.value.fileState();
      return opened;
    } finally {
      if (opened?.ok !== true) hold.release();
    }
  });
}

function notABook(raw: Database.Database, path: string): Result<Db> | undefined {
  if (isBook(raw, path)) return undefined;
  raw.close();
  return fail("book.unreadable");
}

function tooNew(raw: Database.Database): Result<Db> | undefined {
  const newest = newestSchema();
  const found = schemaVersion(raw);
  if (found <= newest) return undefined;
  raw.close();
  return fail("book.newer", { found, newest });
}
