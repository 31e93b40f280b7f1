import fc from "fast-check";

import { day, type Day } from "@/core/calendar";
import { openByAge, openItemsAsOf } from "@/db/openItems";

import type { TestBook } from "../support/book";
import { fromDocuments, History, inJournal, started, step } from "../support/history";

/** Histories of hundreds of events, 5,000 in all: every kind, in whatever order they come. The proofs are reckoned after each. */
const EVENTS = 500;
const SEEDS = Array.from({ length: 10 }, (_, at) => 20_261_124 + at);
/** The balances are made from the documents in plain SQL after so many. */
const EVERY = 10;
/** Days as of which what was open is reckoned fast and slowly: before, among and after the events. */
const DAYS = ["2026-10-31", "2026-11-05", "2026-11-12", "2026-11-20", "2026-12-31"].map((text) => day(text));

const summed = (rows: readonly { customerId: number; on: Day; sum: number }[]): string[] => rows.map(({ customerId, on, sum }) => `${customerId} ${on} ${sum}`).sort();
const byAge = (book: TestBook, asOf: Day): string[] => summed(openByAge(book.db, asOf).filter(({ sum }) => sum !== 0));
/** The same, item by item from all lines up to the day. */
function agedSlowly(book: TestBook, asOf: Day): string[] {
  const sums = new Map<string, number>();
  for (const item of openItemsAsOf(book.db, asOf)) { const key = `${item.customerId} ${item.kind === "credit_note" ? item.issuedOn : item.dueOn}`; sums.set(key, (sums.get(key) ?? 0) + item.asOfBalance); }
  return [...sums].filter(([, sum]) => sum !== 0).map(([key, sum]) => `${key} ${sum}`).sort();
}

const done = new Map<string, number>();

describe(`${SEEDS.length} histories of ${EVENTS} events`, () => {
  it.each(SEEDS)("keep every proof after every event, and the documents alone give the same balances; undoing all of it proves too (seed %i)", (seed) => {
    const book = started();
    const history = new History(book);
    for (const [at, one] of fc.sample(step, { numRuns: EVENTS, seed }).entries()) {
      history.step(one);
      const broken = book.broken();
      if (broken.length > 0) expect({ at, after: one, broken }).toEqual({ at, after: one, broken: [] });
      if (at % EVERY === 0) {
        for (const currency of ["USD", "EUR"] as const) expect({ at, currency, balances: inJournal(book, currency) }).toEqual({ at, currency, balances: fromDocuments(book, currency) });
        for (const asOf of DAYS) expect({ at, asOf, aged: byAge(book, asOf) }).toEqual({ at, asOf, aged: agedSlowly(book, asOf) });
      }
    }
    for (const { kind, n } of book.db.all<{ kind: string; n: number }>("SELECT kind, count(*) AS n FROM act GROUP BY kind UNION ALL SELECT event, count(*) FROM entry GROUP BY event")) done.set(kind, (done.get(kind) ?? 0) + n);
    history.undoAll();
    expect(book.broken()).toEqual([]);
    for (const currency of ["USD", "EUR"] as const) expect(inJournal(book, currency)).toEqual(fromDocuments(book, currency));
    book.close();
  }, 120_000);
  it.each([
    "place", "set_aside", "tie", "hand_receipt", "deposit_banked", "bounce", "dispute_lost", "accrue", "fee_bill", "retry", "answer", "allowance", "recovery", "undo", "ask", "decide",
    "opening", "invoice", "credit_note", "receipt", "identify", "apply", "discount", "fee", "fee_accrual", "payout", "reserve", "adjustment", "ach_return", "refund", "dispute", "deposit", "surcharge", "late_fee", "write_off", "park", "reversal", "exchange", "revalue", "other_income", "elsewhere",
  ])("%s was among them", (kind) => expect(done.get(kind) ?? 0).toBeGreaterThan(0));
});
