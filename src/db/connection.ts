import type Database from "better-sqlite3";

import type { Hold } from "./hold";
import { type Inode, inodeOf } from "./inode";
import { type Gathering, Pending } from "./pending";
import type { Value } from "./value";

type Prepared = { readonly statement: Database.Statement; readonly numbered: boolean };

/** A connection to one database file, with its prepared statements kept. Not for more than one thread. */
export class Db {
  private readonly statements = new Map<string, Prepared>();

  /** Rows that wait to be inserted together; null where each is written at once. */
  private pending: Pending | null = null;
  private readonly inode: Inode | null;
  private id: string | null = null;

  constructor(
    private readonly raw: Database.Database,
    private readonly path: string,
    private readonly hold: Hold | null = null,
  ) {
    this.inode = inodeOf(path);
  }

  /** The id of the book that the file holds. */
  bookId(): string {
    return this.get<{ id: string }>("SELECT id FROM identity")?.id ?? "";
  }

  /**
   * Whether the file that was opened is still what lies under its name: another may have been put in
   * its place, and what is written here would be gone with the old one.
   */
  fileState(): FileState {
    const now = inodeOf(this.path);
    if (now === null) return "gone";
    this.id ??= this.bookId();
    return now.dev === this.inode?.dev && now.ino === this.inode.ino && this.bookId() === this.id
      ? "same"
      : "replaced";
  }

  /** Whether this connection cannot write: what it reads is committed and stays. */
  get readsOnly(): boolean {
    return this.raw.readonly;
  }

  /** All rows. `Row` must name the columns as the SQL does; this cast is the row mapper's. */
  all<Row>(sql: string, ...values: Value[]): Row[] {
    const { statement, numbered } = this.statement(sql);
    return statement.all(...bound(numbered, values)) as Row[];
  }

  /** Row by row, so that not all are held in memory; nothing else may be asked for meanwhile. */
  each<Row>(sql: string, ...values: Value[]): IterableIterator<Row> {
    const { statement, numbered } = this.statement(sql);
    return statement.iterate(...bound(numbered, values)) as IterableIterator<Row>;
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

  /** The ids that a query gives, as `id`. */
  ids(sql: string, ...values: Value[]): Set<string> {
    return new Set(this.all<{ id: string }>(sql, ...values).map(({ id }) => id));
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

  /** Inserts a row; gives its id. The table's columns are named in `of`, all of them by it. */
  insert(of: Gathering, ...values: Value[]): number {
    if (this.pending) return this.pending.add(of.table, values);
    const marks = of.columns.map(() => "?").join(", ");
    return this.run(
      `INSERT INTO "${of.table}" (${of.columns.join(", ")}) VALUES (${marks})`,
      ...values,
    ).id;
  }

  /**
   * While `work` runs within a transaction, rows of some tables wait until there are many, or until
   * anything else is asked of the file. `order`: a table before those that name it.
   */
  gathering<T>(order: readonly Gathering[], work: () => T): T {
    this.pending = new Pending(this.raw, order);
    try {
      const done = work();
      this.pending.write();
      return done;
    } finally {
      this.pending = null;
    }
  }

  /** All of `work` or nothing. It must not be async: the transaction would end before it. */
  transaction<T>(work: () => T): T {
    return this.raw.transaction(work).immediate();
  }

  /** A part of a transaction, all of it or nothing: what it wrote goes back where it throws. */
  savepoint<T>(work: () => T): T {
    this.settle();
    try {
      return this.raw.transaction(() => {
        const done = work();
        this.settle();
        return done;
      })();
    } catch (error) {
      this.pending?.drop();
      throw error;
    }
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
    this.settle();
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
    this.hold?.release();
  }

  /** What waits is written before anything else is done. */
  private settle(): void {
    this.pending?.write();
    this.pending?.forgetIds();
  }

  private statement(sql: string): Prepared {
    this.settle();
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

/** What lies under a book's name, beside what was opened there. */
export type FileState = "same" | "gone" | "replaced";

/** Numbered parameters (?1) are bound by name here, as better-sqlite3 counts only plain ones by place. */
function bound(numbered: boolean, values: Value[]): (Value | Record<string, Value>)[] {
  return numbered
    ? [Object.fromEntries(values.map((value, at) => [String(at + 1), value]))]
    : values;
}
