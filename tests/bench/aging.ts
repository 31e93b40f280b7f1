import type { AgesAsked } from "@/contracts/reports";
import { day, type Day } from "@/core/calendar";
import { spansOf } from "@/core/metrics";
import { accounts } from "@/db/journal";
import { receivableMovements } from "@/db/receivableMovements";
import { proofs } from "@/server/books/queries/proofs";
import { agesPage } from "@/server/reports/queries/ages";
import { openBookToRead } from "@/server/runtime/books";

import { BOOK, seconds, withBook } from "./importing";
import type { Measure } from "./measure";

/**
 * Invoices of the book that is taken in from files, and of the one that is written by SQL, of which
 * a tenth is open.
 */
const INVOICES = 100_000;
const MANY = 1_000_000;
const ask = (asOf: Day): AgesAsked => ({
  asOf,
  by: "due",
  edges: [30, 60, 90],
  spans: spansOf([30, 60, 90], "due"),
  of: "customer",
  currency: null,
});
const timed = (work: () => unknown): number => {
  work();
  const from = performance.now();
  work();
  return performance.now() - from;
};

export function aging(): Measure[] {
  return [...takenIn(), ...million()];
}

function takenIn(): Measure[] {
  return withBook((db, take) => {
    take(
      "customers",
      `customer_id,name\n${Array.from({ length: 2000 }, (_, at) => `C${at},Customer Number${at} Pottery`).join("\n")}\n`,
    );
    const filled = take(
      "invoices",
      `invoice_number,customer_id,issued_on,due_on,total\n${Array.from({ length: INVOICES }, (_, at) => `${100_000 + at},C${at % 2000},2026-${String(1 + (at % 10)).padStart(2, "0")}-05,2026-${String(2 + (at % 10)).padStart(2, "0")}-04,${100 + (at % 900)}.00`).join("\n")}\n`,
    );
    return [
      {
        work: `Import ${INVOICES.toLocaleString("en")} invoices`,
        took: seconds(filled),
        must: "–",
      },
      { work: "Every proof of that book", took: seconds(timed(() => proofs(db))), must: "–" },
    ];
  });
}

/** A million invoices over ten years, nine tenths of them paid 40 days after they were issued. */
function million(): Measure[] {
  return withBook((db, take) => {
    take(
      "customers",
      `customer_id,name\n${Array.from({ length: 20_000 }, (_, at) => `C${at},Customer Number${at} Pottery`).join("\n")}\n`,
    );
    const [first, second] = accounts(db).filter(
      ({ role }) => role === "receivables" || role === "income",
    );
    if (!first || !second) throw new Error("the default chart has both");
    const [receivables, income] = first.role === "receivables" ? [first, second] : [second, first];
    const act = db.run(
      "INSERT INTO act (command_id, kind, subject_kind, subject_id, text, on_day, at, actor) SELECT min(id), 'import', 'book', 0, 'bench', '2026-11-24', '', 'bench' FROM command",
    ).id;
    const issued = `date('2016-11-01', (i * 3650 / ${MANY}) || ' days')`;
    const n = `WITH RECURSIVE n (i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < ${MANY})`;
    db.transaction(() => {
      db.exec(
        `${n} INSERT INTO open_item (id, kind, number, customer_id, issued_on, due_on, currency, total, opened, balance, opened_on) SELECT i, 'invoice', 'N' || i, 1 + i % 20000, ${issued}, date(${issued}, '30 days'), 'USD', 100 + i % 900, 100 + i % 900, CASE i % 10 WHEN 0 THEN 100 + i % 900 ELSE 0 END, ${issued} FROM n`,
      );
      db.exec(
        `${n} INSERT INTO entry (id, event, posted_on, document_kind, document_id, document, act_id) SELECT i, 'invoice', ${issued}, 'open_item', i, 'invoice ' || i, ${act} FROM n`,
      );
      db.exec(
        `${n} INSERT INTO entry (id, event, posted_on, document_kind, document_id, document, act_id) SELECT ${MANY} + i, 'apply', date(${issued}, '40 days'), 'open_item', i, 'paid ' || i, ${act} FROM n WHERE i % 10 <> 0`,
      );
      db.exec(
        `INSERT INTO entry_line (entry_id, line_no, account_id, currency, amount, book_amount, item_kind, item_id) SELECT id, 1, ${receivables.id}, 'USD', (100 + document_id % 900) * iif(event = 'apply', -1, 1), (100 + document_id % 900) * iif(event = 'apply', -1, 1), 'open_item', document_id FROM entry`,
      );
      db.exec(
        `INSERT INTO entry_line (entry_id, line_no, account_id, currency, amount, book_amount) SELECT id, 2, ${income.id}, 'USD', (100 + document_id % 900) * iif(event = 'apply', 1, -1), (100 + document_id % 900) * iif(event = 'apply', 1, -1) FROM entry`,
      );
      db.exec("INSERT INTO posting (first_entry, last_entry) SELECT id, id FROM entry");
    });
    const opened = openBookToRead(BOOK);
    if (!opened.ok) throw new Error(opened.error.code);
    const from = performance.now();
    receivableMovements(opened.value);
    const read = performance.now() - from;
    const measures = [
      {
        work: `The lines of receivables of ${MANY.toLocaleString("en")} invoices, a tenth of them open, read into memory, once (${Math.round(process.memoryUsage().rss / 1_000_000)} MB then)`,
        took: seconds(read),
        must: "–",
      },
      {
        work: "Aging of it by customer, as of today",
        took: seconds(
          timed(() => agesPage(opened.value, ask(day("2026-11-24")), { limit: 100, offset: 0 })),
        ),
        must: "300 ms",
      },
      {
        work: "The same as of a day five years ago",
        took: seconds(
          timed(() => agesPage(opened.value, ask(day("2021-11-24")), { limit: 100, offset: 0 })),
        ),
        must: "300 ms",
      },
      { work: "Every proof of it", took: seconds(timed(() => proofs(opened.value))), must: "–" },
    ];
    opened.value.close();
    return measures;
  });
}
