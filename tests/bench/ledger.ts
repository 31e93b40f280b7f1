import { addDays, day } from "@/core/calendar";
import { type Currency, currencyOf, minor } from "@/core/money";
import { type TieLine, tieOut, type TiePayout, tieTogether } from "@/core/payouts";
import { accounts, balancesAsOf } from "@/db/journal";
import { accountLines } from "@/db/journalPages";

import { seconds, withBook } from "./importing";
import type { Measure } from "./measure";

const USD = currencyOf("USD") as Currency;
const ENTRIES = 500_000;

/** A million journal lines over three years: the trial balance as of any day, and a page of the largest account. */
function million(): Measure[] {
  return withBook((db) => {
    const [first, second] = accounts(db).filter(
      ({ role }) => role === "receivables" || role === "income",
    );
    if (!first || !second) throw new Error("the default chart has both");
    const act = db.run(
      "INSERT INTO act (command_id, kind, subject_kind, subject_id, text, on_day, at, actor) SELECT min(id), 'import', 'book', 0, 'bench', '2026-11-24', '', 'bench' FROM command",
    ).id;
    const from = performance.now();
    db.transaction(() => {
      db.exec(
        `WITH RECURSIVE n (i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < ${ENTRIES}) INSERT INTO entry (id, event, posted_on, document_kind, document_id, document, act_id) SELECT 1000000 + i, 'invoice', date('2024-01-01', (i * 1000 / ${ENTRIES}) || ' days'), 'open_item', i, 'invoice ' || i, ${act} FROM n`,
      );
      db.exec(
        `INSERT INTO entry_line (entry_id, line_no, account_id, currency, amount, book_amount) SELECT id, 1, ${first.id}, 'USD', 100 + id % 900, 100 + id % 900 FROM entry WHERE id > 1000000`,
      );
      db.exec(
        `INSERT INTO entry_line (entry_id, line_no, account_id, currency, amount, book_amount) SELECT id, 2, ${second.id}, 'USD', -100 - id % 900, -100 - id % 900 FROM entry WHERE id > 1000000`,
      );
      db.exec(
        "INSERT INTO posting (first_entry, last_entry) SELECT id, id FROM entry WHERE id > 1000000",
      );
    });
    const filled = performance.now() - from;
    const timed = (work: () => unknown): number => {
      work();
      const begun = performance.now();
      work();
      return performance.now() - begun;
    };
    return [
      {
        work: `Write ${(ENTRIES * 2).toLocaleString("en")} journal lines by SQL alone`,
        took: seconds(filled),
        must: "–",
      },
      {
        work: "Trial balance as of an earlier day, of these",
        took: seconds(timed(() => balancesAsOf(db, day("2025-09-30")))),
        must: "300 ms",
      },
      {
        work: "A page of an account of 500,000 lines, the newest",
        took: seconds(
          timed(() =>
            accountLines(db, {
              accountId: first.id,
              asOf: day("2026-11-24"),
              limit: 200,
              offset: 0,
            }),
          ),
        ),
        must: "200 ms",
      },
      {
        work: "A page of it, half way back, as of an earlier day",
        took: seconds(
          timed(() =>
            accountLines(db, {
              accountId: first.id,
              asOf: day("2026-03-31"),
              limit: 200,
              offset: 200_000,
            }),
          ),
        ),
        must: "200 ms",
      },
    ];
  });
}

/** 2,000 payouts against 3,000 bank lines. */
function tying(): Measure[] {
  const payouts = Array.from({ length: 2000 }, (_, id): TiePayout => ({
    id,
    externalId: `po_${id}`,
    paidOn: addDays(day("2026-01-05"), id % 300),
    currency: USD,
    net: minor(10_000 + ((id * 7919) % 900_000)),
    statedNet: null,
    descriptor: "PROC",
  }));
  const lines = Array.from({ length: 3000 }, (_, id): TieLine => ({
    id,
    postedOn: addDays(day("2026-01-05"), (id % 2000) % 300),
    currency: USD,
    amount: minor(id < 1900 ? 10_000 + ((id * 7919) % 900_000) : 1_000_000 + id),
    description: id % 3 === 0 ? "PROC PAYOUT" : "PROC DEPOSIT",
  }));
  const from = performance.now();
  const tied = tieOut(payouts, lines);
  const free = new Set(tied.map(({ bankLineId }) => bankLineId));
  const left = new Set(tied.map(({ payoutId }) => payoutId));
  const between = performance.now();
  tieTogether(
    payouts.filter(({ id }) => !left.has(id)),
    lines.filter(({ id }) => !free.has(id)),
  );
  return [
    {
      work: `Tie 2,000 payouts to 3,000 bank lines (${tied.length} tied)`,
      took: seconds(between - from),
      must: "2 s",
    },
    {
      work: "Look for ties of several together among what is left",
      took: seconds(performance.now() - between),
      must: "–",
    },
  ];
}

export function ledger(): Measure[] {
  return [...tying(), ...million()];
}
