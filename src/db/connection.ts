import Database from "better-sqlite3";
import { mkdirSync } from "node:fs";
import { dirname } from "node:path";

import { fail, ok, type Result } from "@/core/result";

import { isBook } from "./identity";
import { migrate, newestSchema, schemaVersion } from "./migrate";

export type Value = string | number | null;
type Prepared = { readonly statement: Database.Statement; readonly numbered: boolean };

/** A connection to one database file, with its prepared statements kept. Not for more than one thread. */
export class Db {
  private readonly statements = new Map<string, Prepared>();

  constructor(private readonly raw: Database.Database) {}

  /** Whether this connection cannot write: what it reads is committed and stays. */
  get readsOnly(): boolean {
    return this.raw.readonly;
  }

  /** All rows. `Row` must name the columns as the SQL does; this cast is the row mapper's. */
  all<Row>(sql: string, ...values: Value[]): Row[] {
    const { statement, numbered } = this.statement(sql);
    return statement.all(...bound(numbered, values)) as Row[];
  }

  /**
   * Rows by the ten thousand, in no order: SQLite writes them as one JSON text,
   * which is read several times as fast as row by row. `columns` gives the
   * expression of each field; `from` is all that follows FROM.
   */
  many<Row extends object>(
    columns: { readonly [Field in keyof Row & string]: string },
    from: string,
  ): Row[] {
    const fields = Object.keys(columns) as (keyof Row & string)[];
    const empty = Object.fromEntries(fields.map((field) => [field, null])) as Row;
    return this.lists<Row[keyof Row & string][]>(
      fields.map((field) => columns[field]),
      `FROM ${from}`,
    ).map((values) => {
      // All rows have one shape, whose fields are then filled in.
      const row = { ...empty };
      for (let at = 0; at < fields.length; at += 1)
        row[fields[at] as keyof Row & string] = values[at] as Row[keyof Row & string];
      return row;
    });
  }

  /** The same, each row as the list of its columns. */
  lists<Row extends readonly unknown[]>(
    columns: readonly string[],
    from: string,
    ...values: Value[]
  ): Row[] {
    const found = this.get<{ rows: string }>(
      `SELECT json_group_array(json_array(${columns.join(", ")})) AS rows ${from}`,
      ...values,
    );
    return JSON.parse(found?.rows ?? "[]") as Row[];
  }

  get<Row>(sql: string, ...values: Value[]): Row | undefined {
    const { statement, numbered } = this.statement(sql);
    return statement.get(...bound(numbered, values)) as Row | undefined;
  }

  /** Runs a statement that writes; gives the id of a row it inserted. */
  run(sql: string, ...values: Value[]): { id: number; changes: number } {
    const { statement, numbered } = this.statement(sql);
    const info = statement.run(...bound(numbered, values));
    return { id: Number(info.lastInsertRowid), changes: info.changes };
  }

  /** All of `work` or nothing. It must not be async: the transaction would end before it. */
  transaction<T>(work: () => T): T {
    return this.raw.transaction(work).immediate();
  }

  /** Rows that were written but are not wanted after all: a dry run. */
  rehearse<T>(work: () => T): T {
    this.raw.exec("BEGIN IMMEDIATE");
    try {
      return work();
    } finally {
      this.raw.exec("ROLLBACK");
    }
  }

  exec(sql: string): void {
    this.raw.exec(sql);
  }

  /**
   * A number that changes with every commit that did not come from this connection: of the program
   * itself, of another, or of whoever wrote to the file from outside.
   * @see https://www.sqlite.org/pragma.html#pragma_data_version
   */
  fileVersion(): number {
    return this.raw.pragma("data_version", { simple: true }) as number;
  }

  backup(to: string): Promise<unknown> {
    return this.raw.backup(to);
  }

  close(): void {
    this.statements.clear();
    this.raw.close();
  }

  private statement(sql: string): Prepared {
    const known = this.statements.get(sql);
    if (known) return known;
    const made = { statement: this.raw.prepare(sql), numbered: /\?\d/.test(sql) };
    // Some texts carry days and ids: they are not kept for ever.
    if (this.statements.size >= MOST_STATEMENTS) this.statements.clear();
    this.statements.set(sql, made);
    return made;
  }
}

const MOST_STATEMENTS = 1000;

/** Numbered parameters (?1) are bound by name here, as better-sqlite3 counts only plain ones by place. */
function bound(numbered: boolean, values: Value[]): (Value | Record<string, Value>)[] {
  return numbered
    ? [Object.fromEntries(values.map((value, at) => [String(at + 1), value]))]
    : values;
}

type OpenError = "book.missing" | "book.newer" | "book.locked" | "book.unreadable";

function prepared(raw: Database.Database): Database.Database {
  raw.pragma("journal_mode = WAL");
  raw.pragma("synchronous = FULL");
  raw.pragma("foreign_keys = ON");
  raw.pragma("recursive_triggers = ON");
  // The writer keeps its indexes' pages in memory; with SQLite's own 2 MB a large import reads them
  // again and again.
  raw.pragma("cache_size = -262144");
  raw.pragma("temp_store = MEMORY");
  return raw;
}

/** Makes the file with the newest schema. The caller has checked that it is not there. */
export function createFile(path: string): Db {
  mkdirSync(dirname(path), { recursive: true });
  const raw = prepared(new Database(path));
  migrate(raw, path);
  return new Db(raw);
}

/** Opens a book to write: brings its schema up to date first, with a copy of the file taken before. */
export function openToWrite(path: string): Result<Db, OpenError> {
  return guarded(() => {
    const raw = new Database(path, { fileMustExist: true, timeout: 10_000 });
    const problem = notABook(raw, path) ?? tooNew(raw);
    if (problem) return problem;
    migrate(prepared(raw), path);
    return ok(new Db(raw));
  });
}

/** Opens a book to read only; readers never wait for the writer (WAL). */
export function openToRead(path: string): Result<Db, OpenError> {
  return guarded(() => {
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
    return ok(new Db(raw));
  });
}

function notABook(raw: Database.Database, path: string): Result<Db, OpenError> | undefined {
  if (isBook(raw, path)) return undefined;
  raw.close();
  return fail("book.unreadable");
}

function tooNew(raw: Database.Database): Result<Db, OpenError> | undefined {
  const newest = newestSchema();
  const found = schemaVersion(raw);
  if (found <= newest) return undefined;
  raw.close();
  return fail("book.newer", { found, newest });
}

function guarded(open: () => Result<Db, OpenError>): Result<Db, OpenError> {
  try {
    return open();
  } catch (error) {
    const code = sqliteCode(error);
    if (code === "SQLITE_CANTOPEN") return fail("book.missing");
    if (code === "SQLITE_BUSY" || code === "SQLITE_LOCKED") return fail("book.locked");
    if (code === "SQLITE_NOTADB" || code === "SQLITE_CORRUPT") return fail("book.unreadable");
    throw error;
  }
}

/**
 * The code of SQLite's own errors, and "" for others. By its text: two copies of the package would
 * each have a class of their own.
 */
function sqliteCode(error: unknown): string {
  const code = typeof error === "object" && error !== null && "code" in error ? error.code : "";
  return typeof code === "string" && code.startsWith("SQLITE_") ? code : "";
}

/** Whether an error says that another process holds the file. */
export function isBusy(error: unknown): boolean {
  return ["SQLITE_BUSY", "SQLITE_LOCKED"].includes(sqliteCode(error));
}
