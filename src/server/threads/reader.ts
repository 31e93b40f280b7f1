import { join } from "node:path";

import Piscina from "piscina";

import type { Day } from "@/core/calendar";
import type { ProofReport } from "@/core/ledger";
import type { Proposal } from "@/core/matching";
import { lastChange } from "@/db/acts";
import type { Db } from "@/db/connection";

import { openBookToRead } from "../books";
import { bookExists } from "../folders";
import { overdueRows, type OverdueRow } from "../queries/overdue";
import { proofs } from "../queries/proofs";

/** Connections that only read, one a book, and the pool for heavy work; kept across reloads of the code. */
type Kept<T> = Map<string, { version: number; made: T }>;
type Readers = { books: Map<string, Db>; pool: Piscina | null; proposals: Kept<Promise<Proposal[]>>; answers: Kept<unknown> };
const kept = globalThis as typeof globalThis & { dozoReaders?: Readers };
const readers = (): Readers => (kept.dozoReaders ??= { books: new Map(), pool: null, proposals: new Map(), answers: new Map() });

/** The book's connection for pages, or null where there is no such book. */
export function reading(book: string): Db | null {
  const known = readers().books.get(book);
  if (known) return known;
  if (!bookExists(book)) return null;
  const opened = openBookToRead(book);
  if (!opened.ok) return null;
  readers().books.set(book, opened.value);
  return opened.value;
}

/** Proposals for all that has no home, made in the pool and kept until the book changes. */
export function proposalsFor(book: string): Promise<Proposal[]> {
  const db = reading(book);
  if (!db) return Promise.resolve([]);
  const all = readers();
  const version = lastChange(db);
  const known = all.proposals.get(book);
  if (known?.version === version) return known.made;
  all.pool ??= new Piscina({ filename: join(/* turbopackIgnore: true */ process.env.DOZO_ROOT ?? process.cwd(), "dist/match.mjs"), minThreads: 1, maxThreads: 2, idleTimeout: 60_000, resourceLimits: { maxYoungGenerationSizeMb: 96 } });
  const made = all.pool.run({ book }) as Promise<Proposal[]>;
  all.proposals.set(book, { version, made });
  // What failed is not kept: the next page tries again.
  made.catch(() => { if (all.proposals.get(book)?.made === made) all.proposals.delete(book); });
  return made;
}

/**
 * What a query says of a book, kept until the book changes: a page that is
 * opened twice, or two that need the same, read it once. `name` tells queries
 * and their arguments apart; the last answer to each name is kept.
 */
export function keptAnswer<T>(book: string, db: Db, name: string, make: () => T): T {
  const { answers } = readers();
  const version = lastChange(db);
  const key = `${book} ${name}`;
  const known = answers.get(key);
  if (known?.version === version) return known.made as T;
  const made = make();
  if (answers.size > MOST_ANSWERS) answers.clear();
  answers.set(key, { version, made });
  return made;
}
const MOST_ANSWERS = 60;

/** Every proof of a book, computed anew whenever the book has changed. */
export function proofsFor(book: string, db: Db): ProofReport {
  return keptAnswer(book, db, "proofs", () => proofs(db));
}

/** Who is overdue on a day; what every page counts and the Overdue page shows. */
export function overdueFor(book: string, db: Db, today: Day, proposals: readonly Proposal[]): OverdueRow[] {
  return keptAnswer(book, db, `overdue ${today}`, () => overdueRows(db, today, proposals));
}
