import type { AgesAsked } from "@/contracts/reports";
import { addDays, day, type Day } from "@/core/calendar";
import { spansOf } from "@/core/metrics";
import { type Currency, currencyOf } from "@/core/money";
import { receivableMovements } from "@/db/receivableMovements";
import { customerPageOf } from "@/server/customers/queries/customer";
import { statementOf } from "@/server/customers/queries/statement";
import { deliverLetter } from "@/server/output/delivery";
import { sendLetters } from "@/server/overdue/commands/sendLetters";
import { letterRun } from "@/server/overdue/queries/letterRun";
import { overdueRows } from "@/server/overdue/queries/overdue";
import { agesPage } from "@/server/reports/queries/ages";
import { figuresOf } from "@/server/reports/queries/figures";
import { openBookToRead } from "@/server/runtime/books";
import { runCommand } from "@/server/runtime/command";

import { BOOK, seconds, withBook } from "./importing";
import type { Measure } from "./measure";

const CUSTOMERS = 50_000;
const ITEMS = 400_000;
const LETTERS = 1000;
const ask = (asOf: Day): AgesAsked => ({
  asOf,
  by: "due",
  edges: [30, 60, 90],
  spans: spansOf([30, 60, 90], "due"),
  of: "customer",
  currency: null,
});

/**
 * Follow-up of a large book: the list of today, a customer's page, aging as of a day, and letters
 * with their statements.
 */
export async function followup(): Promise<Measure[]> {
  const measures: Measure[] = [];
  await withBook(async (db, take) => {
    const today = day("2026-11-24");
    take(
      "customers",
      `customer_id,name,email\n${Array.from({ length: CUSTOMERS }, (_, at) => `C${at},Customer Number${at} Pottery,c${at}@customer${at}.example`).join("\n")}\n`,
    );
    const filled = take(
      "invoices",
      `invoice_number,customer_id,issued_on,due_on,total\n${Array.from({ length: ITEMS }, (_, at) => `${100_000 + at},C${at % CUSTOMERS},${addDays(today, -40 - (at % 37))},${addDays(today, (at % 37) - 18)},${100 + (at % 900)}.00`).join("\n")}\n`,
    );
    const timed = (work: () => unknown): number => {
      work();
      const from = performance.now();
      work();
      return performance.now() - from;
    };
    const opened = openBookToRead(BOOK);
    if (!opened.ok) throw new Error(opened.error.code);
    // As pages read it: the first of them reads every line of receivables into memory.
    const reader = opened.value;
    const first = performance.now();
    receivableMovements(reader);
    measures.push({
      work: "The lines of receivables of that book read into memory, once",
      took: seconds(performance.now() - first),
      must: "–",
    });
    const rows = overdueRows(reader, today, []);
    measures.push({
      work: `Take in ${ITEMS.toLocaleString("en")} invoices of ${CUSTOMERS.toLocaleString("en")} customers`,
      took: seconds(filled),
      must: "–",
    });
    measures.push({
      work: `Today's list of that book (${rows.length.toLocaleString("en")} customers on it)`,
      took: seconds(timed(() => overdueRows(reader, today, []))),
      must: "1 s",
    });
    measures.push({
      work: "A customer's page there",
      took: seconds(timed(() => customerPageOf(reader, 777, today, []))),
      must: "200 ms",
    });
    measures.push({
      work: "A customer's statement of three months there",
      took: seconds(timed(() => statementOf(reader, 777, addDays(today, -92), today))),
      must: "–",
    });
    measures.push({
      work: "Aging of it as of an earlier day",
      took: seconds(
        timed(() => agesPage(reader, ask(addDays(today, -20)), { limit: 100, offset: 0 })),
      ),
      must: "300 ms",
    });
    measures.push({
      work: "Aging of it as of a day before half of it was posted, by group",
      took: seconds(
        timed(() =>
          agesPage(reader, { ...ask(addDays(today, -55)), of: "group" }, { limit: 100, offset: 0 }),
        ),
      ),
      must: "300 ms",
    });
    measures.push({
      work: "Its letters of today, a page of them with their words",
      took: seconds(timed(() => letterRun(reader, today, rows, { limit: 100, offset: 0 }))),
      must: "–",
    });
    measures.push({
      work: "Its figures by month",
      took: seconds(timed(() => figuresOf(reader, today, rows, currencyOf("USD") as Currency))),
      must: "–",
    });
    const letters = letterRun(
      reader,
      today,
      rows.filter(({ next }) => next.step.act === "letter").slice(0, LETTERS),
    ).letters.map(({ customerId, subject, body }) => ({ customerId, subject, body }));
    db.run("UPDATE ladder_step SET attach = 'statement'");
    const from = performance.now();
    const sent = runCommand(
      db,
      sendLetters,
      { letters },
      { book: BOOK, actor: "bench", key: "bench-letters" },
    );
    const recorded = performance.now() - from;
    for (const { id } of db.all<{ id: number }>("SELECT id FROM letter WHERE delivery = 'queued'"))
      await deliverLetter(db, BOOK, id);
    measures.push({
      work: `Record ${sent.ok ? sent.value.sent.toLocaleString("en") : "no"} letters`,
      took: seconds(recorded),
      must: "–",
    });
    measures.push({
      work: "Bring them to the outbox with a statement as PDF each",
      took: seconds(performance.now() - from - recorded),
      must: "90 s",
    });
    reader.close();
  });
  return measures;
}
