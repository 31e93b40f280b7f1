import fc from "fast-check";

import { day, daysBetween } from "@/core/calendar";
import { sumsOf } from "@/core/followup";
import { type AgeAsk, agingOf, spanOf, spansOf } from "@/core/metrics";
import type { Currency } from "@/core/money";
import { agesByCustomer, agesTogether } from "@/db/ages";
import type { Db } from "@/db/connection";
import { itemsLeftOut } from "@/db/followed";
import { followSums } from "@/db/followSums";
import { openItemsAsOf } from "@/db/openItemPages";
import { openItemsOf } from "@/db/openItems";
import { openBookToRead } from "@/server/runtime/books";

import { type TestBook, TODAY } from "../support/book";
import { fromDocuments, History, inJournal, started, step } from "../support/history";

/**
 * Histories of hundreds of events, 5,000 in all: every kind, in whatever order they come. The
 * proofs are computed after each.
 */
const EVENTS = 500;
const SEEDS = Array.from({ length: 10 }, (_, at) => 20_261_124 + at);
/** The balances are made from the documents in plain SQL after so many. */
const EVERY = 10;
/** Sums by age, and what follow-up sums up, are computed fast and slowly after so many. */
const SUMMED_EVERY = 60;
/** Days as of which what was open is computed fast and slowly: before, among and after the events. */
const DAYS = ["2026-10-31", "2026-11-05", "2026-11-12", "2026-11-20", "2026-12-31"].map((text) =>
  day(text),
);

const ASKED = (["due", "issued"] as const).flatMap((by) =>
  [null, "EUR" as Currency].map((currency) => ({ by, currency, spans: spansOf([7, 14, 45], by) })),
);
const byAge = (db: Db, ask: AgeAsk): string[] =>
  [...agesByCustomer(db, ask)].map(([id, ages]) => `${id}: ${ages.join(" ")}`).sort();
/** The same, item by item from all lines up to the day. */
function agedSlowly(book: TestBook, { asOf, by, spans, currency }: AgeAsk): string[] {
  const sums = new Map<number, number[]>();
  for (const item of openItemsAsOf(book.db, asOf)) {
    if (currency !== null && item.currency !== currency) continue;
    const days = daysBetween(
      by === "issued" || item.kind === "credit_note" ? item.issuedOn : item.dueOn,
      asOf,
    );
    const own = sums.get(item.customerId) ?? spans.map(() => 0);
    const at = spanOf(spans, days);
    sums.set(
      item.customerId,
      own.map((sum, span) =>
        span === at ? sum + (currency === null ? item.asOfBalance : item.ownBalance) : sum,
      ),
    );
  }
  return [...sums]
    .filter(([, ages]) => ages.some((sum) => sum !== 0))
    .map(([id, ages]) => `${id}: ${ages.join(" ")}`)
    .sort();
}

/**
 * What follow-up knows of each customer's items, summed up from memory or by the database; and item
 * by item.
 */
const fastSums = (db: Db, ahead: number): Record<string, unknown> =>
  Object.fromEntries(
    [...followSums(db, TODAY, ahead)].filter(
      ([, { aging, notes, sums }]) => aging.total !== 0 || notes !== 0 || sums.late !== 0,
    ),
  );
function slowSums(book: TestBook, ahead: number): Record<string, unknown> {
  const leftOut = itemsLeftOut(book.db);
  return Object.fromEntries(
    book.db.all<{ id: number }>("SELECT id FROM customer").flatMap(({ id }) => {
      const items = openItemsOf(book.db, id).map((item) => ({
        id: item.id,
        dueOn: item.dueOn,
        balance: item.bookBalance,
        leftOut: leftOut.get(item.id) ?? null,
      }));
      const own = {
        sums: sumsOf(items, TODAY, ahead),
        notes: -items.reduce((so, { balance }) => so + Math.min(0, balance), 0) || 0,
        aging: agingOf(items, TODAY),
      };
      return own.aging.total !== 0 || own.notes !== 0 || own.sums.late !== 0
        ? [[String(id), own]]
        : [];
    }),
  );
}

/** What pages sum up, from memory or by the database, against the same item by item. */
function holdsToSlow(db: Db, book: TestBook, at: number): void {
  for (const ahead of [0, 7])
    expect({ at, sums: fastSums(db, ahead) }).toEqual({ at, sums: slowSums(book, ahead) });
  for (const ask of DAYS.flatMap((asOf) => ASKED.map((asked) => ({ asOf, ...asked })))) {
    expect({ at, ask, aged: byAge(db, ask) }).toEqual({ at, ask, aged: agedSlowly(book, ask) });
    expect(agesTogether(db, ask)).toEqual(
      ask.spans.map((_, span) =>
        [...agesByCustomer(db, ask).values()].reduce((so, ages) => so + (ages[span] ?? 0), 0),
      ),
    );
  }
}

const done = new Map<string, number>();

describe(`${SEEDS.length} histories of ${EVENTS} events`, () => {
  it.each(SEEDS)(
    "keep every proof after every event, and the documents alone give the same balances; undoing all of it proves too (seed %i)",
    (seed) => {
      const book = started();
      // As the pages read: a connection that has been open since the beginning, and keeps up with
      // what is posted.
      const opened = openBookToRead(book.name);
      if (!opened.ok) throw new Error(opened.error.code);
      const reader = opened.value;
      const history = new History(book);
      for (const [at, one] of fc.sample(step, { numRuns: EVENTS, seed }).entries()) {
        history.step(one);
        const broken = book.broken();
        if (broken.length > 0)
          expect({ at, after: one, broken }).toEqual({ at, after: one, broken: [] });
        if (at % EVERY === 0) {
          for (const currency of ["USD", "EUR"] as const)
            expect({ at, currency, balances: inJournal(book, currency) }).toEqual({
              at,
              currency,
              balances: fromDocuments(book, currency),
            });
        }
        if (at % SUMMED_EVERY === 0) for (const db of [reader, book.db]) holdsToSlow(db, book, at);
      }
      for (const { kind, n } of book.db.all<{ kind: string; n: number }>(
        "SELECT kind, count(*) AS n FROM act GROUP BY kind UNION ALL SELECT event, count(*) FROM entry GROUP BY event",
      ))
        done.set(kind, (done.get(kind) ?? 0) + n);
      history.undoAll();
      expect(book.broken()).toEqual([]);
      for (const currency of ["USD", "EUR"] as const)
        expect(inJournal(book, currency)).toEqual(fromDocuments(book, currency));
      reader.close();
      book.close();
    },
    120_000,
  );
  it.each([
    "place",
    "set_aside",
    "tie",
    "hand_receipt",
    "deposit_banked",
    "bounce",
    "dispute_lost",
    "accrue",
    "fee_bill",
    "retry",
    "answer",
    "allowance",
    "recovery",
    "undo",
    "ask",
    "decide",
    "opening",
    "invoice",
    "credit_note",
    "receipt",
    "identify",
    "apply",
    "discount",
    "fee",
    "fee_accrual",
    "payout",
    "reserve",
    "adjustment",
    "ach_return",
    "refund",
    "dispute",
    "deposit",
    "surcharge",
    "late_fee",
    "write_off",
    "park",
    "reversal",
    "exchange",
    "revalue",
    "other_income",
    "elsewhere",
  ])("%s was among them", (kind) => expect(done.get(kind) ?? 0).toBeGreaterThan(0));
});
