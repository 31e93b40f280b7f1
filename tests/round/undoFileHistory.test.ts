import fc from "fast-check";

import { proofs } from "@/server/books/queries/proofs";
import { proveBookTrail } from "@/server/books/trail/bookTrail";

import type { TestBook } from "../support/book";
import { fromDocuments, History, inJournal, started, step } from "../support/history";

/**
 * Random histories in which whole files are taken back, with what rests on them: whatever was done
 * before, every proof holds after it, the balances are those that the documents make, and the
 * trail is whole. Taken back altogether, nothing is left on any account but what was there before.
 */
const EVENTS = 70;
/** A file is taken back after so many events. */
const EVERY = 9;
const SEEDS = [11, 12, 13, 14, 15, 16];

const files = (book: TestBook): number[] =>
  book.db
    .all<{ id: number }>("SELECT id FROM import_file WHERE undone_by IS NULL ORDER BY id")
    .map(({ id }) => id);

function mustHold(book: TestBook): void {
  expect(proofs(book.db).proofs.filter(({ holds }) => !holds)).toEqual([]);
  for (const currency of ["USD", "EUR"] as const)
    expect(fromDocuments(book, currency)).toEqual(inJournal(book, currency));
  expect(proveBookTrail(book.db).problem).toBeNull();
}

it.each(SEEDS)("seed %d", (seed) => {
  const book = started();
  const history = new History(book);
  const steps = fc.sample(step, { numRuns: EVENTS, seed });
  let [taken, refused] = [0, 0];
  steps.forEach((event, at) => {
    history.step(event);
    if (at % EVERY !== EVERY - 1) return;
    const standing = files(book);
    const fileId = standing[event.pick % standing.length] ?? 0;
    const done = book.do("undoFile", { fileId, rest: event.share > 30 });
    if (done.ok) taken += 1;
    else {
      refused += 1;
      expect(["file.rests", "file.blocked", "file.named", "act.rests"]).toContain(done.error.code);
    }
    mustHold(book);
  });
  expect(taken + refused).toBe(Math.floor(EVENTS / EVERY));
  expect(taken).toBeGreaterThan(0);
  book.close();
});
