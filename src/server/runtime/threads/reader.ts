import { join } from "node:path";
import Piscina from "piscina";

import type { DrillResult } from "@/contracts/books";
import type { ReplayFacts } from "@/contracts/replay";
import type { Day } from "@/core/calendar";
import type { Proposal } from "@/core/matching";
import type { Result } from "@/core/result";
import { lastChange, lastChangeOfSums } from "@/db/acts";
import type { Db } from "@/db/connection";
import { overdueRows } from "@/server/overdue/queries/overdue";
import { type OverdueRow } from "@/server/overdue/queries/overdueRow";

import { openBookToRead, stillOpen } from "../books";
import type { BackupTask } from "./backupTask";
import type { Count } from "./countTask";

/** Connections that only read, one a book, and the pool for heavy work; kept across reloads of the code. */
type Kept<T> = Map<string, { version: number | string; made: T }>;
type Readers = {
  books: Map<string, Db>;
  pool: Piscina | null;
  tasks: Kept<Promise<unknown>>;
  answers: Kept<unknown>;
};
const kept = globalThis as typeof globalThis & { dozoReaders?: Readers };
const readers = (): Readers =>
  (kept.dozoReaders ??= { books: new Map(), pool: null, tasks: new Map(), answers: new Map() });

/**
 * The book's connection for pages. Where the file that it was opened on is not the book's any more,
 * nothing is read from it until the server is started anew.
 */
export function readingOf(book: string): Result<Db> {
  const known = readers().books.get(book);
  if (known) return stillOpen(book, known);
  const opened = openBookToRead(book);
  if (opened.ok) readers().books.set(book, opened.value);
  return opened;
}

/** The same, or null where it cannot be read. */
export function reading(book: string): Db | null {
  const opened = readingOf(book);
  return opened.ok ? opened.value : null;
}

/** The threads for heavy work. */
function pool(): Piscina {
  return (readers().pool ??= new Piscina({
    minThreads: 1,
    maxThreads: 2,
    idleTimeout: 600_000,
    resourceLimits: { maxYoungGenerationSizeMb: 96 },
  }));
}

function taskFile(task: string): string {
  const root = process.env.DOZO_ROOT ?? process.cwd();
  return join(/* turbopackIgnore: true */ root, "dist", `${task}.mjs`);
}

/** Takes a backup of a book, or tries the last one, where it keeps nobody waiting. */
export function backupInPool(task: BackupTask): Promise<Result<{ file: string } | DrillResult>> {
  return pool().run(task, { filename: taskFile("backup") }) as Promise<
    Result<{ file: string } | DrillResult>
  >;
}

/** What a task of the pool makes of a book, kept until the book changes. `task` is its file of the build. */
function computeInPool<T>(
  book: string,
  db: Db,
  task: "match" | "count" | "replay",
  input: () => Promise<object> | object,
): Promise<T> {
  const all = readers();
  // What is said to customers changes nothing that matching goes by.
  const version = task === "match" ? lastChangeOfSums(db) : stateOf(db);
  const key = `${task} ${book}`;
  const known = all.tasks.get(key);
  if (known?.version === version) return known.made as Promise<T>;
  const made = (async (): Promise<T> =>
    (await pool().run({ book, ...(await input()) }, { filename: taskFile(task) })) as T)();
  all.tasks.set(key, { version, made });
  // What failed is not kept: the next page tries again.
  made.catch(() => {
    if (all.tasks.get(key)?.made === made) all.tasks.delete(key);
  });
  return made;
}

/** Proposals for all that has no home, made in the pool and kept until the book changes. */
export function proposalsFor(book: string): Promise<Proposal[]> {
  const db = reading(book);
  return db ? computeInPool<Proposal[]>(book, db, "match", () => ({})) : Promise.resolve([]);
}

/** What the engine would have done in the last months, replayed in the pool and kept until the book changes. */
export function replayFor(book: string, db: Db): Promise<ReplayFacts> {
  return computeInPool<ReplayFacts>(book, db, "replay", () => ({}));
}

/** Every proof of a book and what is left at each station, recomputed in the pool whenever the book has changed. */
export function countFor(book: string, db: Db): Promise<Count> {
  return computeInPool<Count>(book, db, "count", async () => ({
    maybe: (await proposalsFor(book)).map(({ receiptId, readings }) => ({
      receiptId,
      readings: readings.map(({ customerId }) => ({ customerId })),
    })),
  }));
}

/**
 * What a query says of a book, kept until the book changes: a page that is
 * opened twice, or two that need the same, read it once. `name` tells queries
 * and their arguments apart; the last answer to each name is kept. What
 * letters and calls do not change may be kept until a sum changes.
 */
export function cachedQuery<T>(
  { book, db }: { book: string; db: Db },
  name: string,
  make: () => T,
  until: "any change" | "a change of sums" = "any change",
): T {
  const version = until === "any change" ? lastChange(db) : lastChangeOfSums(db);
  const { answers } = readers();
  const key = `${book} ${name}`;
  const known = answers.get(key);
  if (known?.version === version) return known.made as T;
  const made = make();
  if (answers.size > MOST_ANSWERS) answers.clear();
  answers.set(key, { version, made });
  return made;
}
const MOST_ANSWERS = 60;

/** Who is overdue on a day, as the Overdue page shows it. */
export function overdueFor(
  { book, db }: { book: string; db: Db },
  today: Day,
  proposals: readonly Proposal[],
): OverdueRow[] {
  return cachedQuery({ book, db }, `overdue ${today}`, () => overdueRows(db, today, proposals));
}

/**
 * The state of a book: another after every command, and after every change of its file, whoever
 * made it. Proofs are of one state, and never outlive it.
 */
export function stateOf(db: Db): string {
  return `${lastChange(db)}.${db.fileVersion()}`;
}
