import type Database from "better-sqlite3";

import type { Value } from "./value";

/** A table that rows are gathered for: its columns, and whether it numbers its rows in `id`. */
export type Gathering = {
  readonly table: string;
  readonly columns: readonly string[];
  readonly isNumbered: boolean;
  /** Whether a row is a run of numbers, from the first to the last: one that follows on waits as one with it. */
  readonly isRun?: boolean;
};

/** So many rows go into one statement. */
const TOGETHER = 32;
/** So many rows wait before all are written. */
const MOST = 2048;

type Waiting = {
  readonly of: Gathering;
  readonly many: Database.Statement;
  readonly one: Database.Statement;
  values: Value[];
  nextId: number | null;
};

/**
 * Rows that are to be inserted, and wait so that many go in one statement. Whoever reads, or writes
 * anything else, has them written first, in the order in which the tables name one another.
 */
export class Pending {
  private readonly tables = new Map<string, Waiting>();
  private count = 0;

  constructor(
    private readonly raw: Database.Database,
    private readonly order: readonly Gathering[],
  ) {}

  /** Takes a row in; gives its id, 0 where the table has none. */
  add(table: string, values: readonly Value[]): number {
    const waiting = this.waitingFor(table);
    if (waiting.of.isRun === true && followsOn(waiting.values, values)) return 0;
    if (this.count >= MOST) this.write();
    this.count += 1;
    if (!waiting.of.isNumbered) {
      waiting.values.push(...values);
      return 0;
    }
    const id = (waiting.nextId ??= this.lastId(table) + 1);
    waiting.nextId = id + 1;
    waiting.values.push(id, ...values);
    return id;
  }

  /** Writes what waits. */
  write(): void {
    if (this.count === 0) return;
    this.count = 0;
    for (const { table } of this.order) {
      const waiting = this.tables.get(table);
      if (waiting) writeAll(waiting);
    }
  }

  /** Forgets what waits, as what it was part of is rolled back. */
  drop(): void {
    this.tables.clear();
    this.count = 0;
  }

  /** Others may write to the tables from here on: ids are asked for anew. */
  forgetIds(): void {
    for (const waiting of this.tables.values()) waiting.nextId = null;
  }

  private lastId(table: string): number {
    const { last } = this.raw
      .prepare(`SELECT coalesce(max(id), 0) AS last FROM "${table}"`)
      .get() as { last: number };
    return last;
  }

  private waitingFor(table: string): Waiting {
    const known = this.tables.get(table);
    if (known) return known;
    const of = this.order.find((gathering) => gathering.table === table);
    if (!of) throw new Error(`rows of ${table} are not gathered`);
    const columns = of.isNumbered ? ["id", ...of.columns] : of.columns;
    const row = `(${columns.map(() => "?").join(", ")})`;
    const head = `INSERT INTO "${table}" (${columns.join(", ")}) VALUES`;
    const waiting: Waiting = {
      of,
      many: this.raw.prepare(`${head} ${Array<string>(TOGETHER).fill(row).join(", ")}`),
      one: this.raw.prepare(`${head} ${row}`),
      values: [],
      nextId: null,
    };
    this.tables.set(table, waiting);
    return waiting;
  }
}

/** Whether a run goes on where the last that waits ends, which then ends with it. */
function followsOn(waiting: Value[], [first, last]: readonly Value[]): boolean {
  const end = waiting.at(-1);
  if (typeof end !== "number" || end + 1 !== first || last === undefined) return false;
  waiting[waiting.length - 1] = last;
  return true;
}

function writeAll(waiting: Waiting): void {
  const { of, many, one, values } = waiting;
  const width = of.columns.length + (of.isNumbered ? 1 : 0);
  let from = 0;
  for (; from + width * TOGETHER <= values.length; from += width * TOGETHER)
    many.run(...values.slice(from, from + width * TOGETHER));
  for (; from < values.length; from += width) one.run(...values.slice(from, from + width));
  waiting.values = [];
}
