import type { Day } from "@/core/calendar";
import { openItemPage } from "@/db/openItemPages";
import type { Db } from "@/db/connection";
import { paperOfNumber } from "@/server/invoices/queries/papers";
import { paperPdf } from "@/server/output/paperPdf";

import { command, withBook } from "./importing";
import type { Measure } from "./measure";

const SCHEDULES = 1_000;
const INVOICES = 1_000_000;
const ON = "2026-11-24" as Day;

/** Scheduled invoices with their papers, and a list of a million looked through for words. */
export async function invoicing(): Promise<Measure[]> {
  return [await scheduled(), ...listed()];
}

const customers = (count: number): string =>
  `customer_id,name,email,parent_id\n${Array.from({ length: count }, (_, at) => `C${at},Tenant ${at} of the row,t${at}@tenant.example,`).join("\n")}\n`;

function scheduled(): Promise<Measure> {
  return withBook(async (db, take) => {
    take("customers", customers(SCHEDULES));
    for (const { id } of db.all<{ id: number }>("SELECT id FROM customer"))
      command(db, "setSchedule", {
        name: `Rent ${id}`,
        plan: { startsOn: "2026-11-01", everyCount: 1, everyUnit: "month", makes: "approved" },
        billed: {
          customerId: id,
          lines: [{ description: "Studio rent, {month}", quantity: "1", rate: "480" }],
        },
      });
    const from = performance.now();
    while ((command(db, "runSchedules", {}) as { more: boolean }).more);
    const numbers = db.all<{ number: string }>(
      "SELECT number FROM document WHERE number IS NOT NULL",
    );
    let bytes = 0;
    for (const { number } of numbers) {
      const paper = paperOfNumber(db, number);
      if (!paper.ok) throw new Error(paper.error.code);
      bytes += (await paperPdf(paper.value)).length;
    }
    const took = (performance.now() - from) / 1000;
    return {
      work: `${numbers.length} scheduled invoices written and approved, with their PDFs (${Math.round(bytes / 1e6)} MB)`,
      took: `${took.toFixed(1)} s`,
      must: "60 s",
    };
  });
}

const WORDS =
  "clay kiln shelf glaze wheel firing studio rent stoneware porcelain bag box pallet tool class".split(
    " ",
  );
const word = (seed: number): string => WORDS[seed % WORDS.length] ?? "";

/** Fills a book with invoices as they come from a file, without their postings: the list reads none. */
function fill(db: Db): void {
  const [{ id: customer = 0 } = {}] = db.all<{ id: number }>("SELECT min(id) AS id FROM customer");
  db.transaction(() => {
    for (let at = 0; at < INVOICES; at += 1)
      db.run(
        `INSERT INTO open_item (kind, number, customer_id, issued_on, due_on, currency, total, opened, balance, opened_on, description)
         VALUES ('invoice', ?, ?, '2026-10-01', '2026-10-31', 'USD', 100, 100, ?, '2026-10-01', ?)`,
        `K-${at}`,
        customer + (at % SCHEDULES),
        at % 10 === 0 ? 100 : 0,
        `${word(at)} ${word(at * 7 + 3)} ${word(Math.floor(at / 15))} lot${at % 5000}`,
      );
  });
}

function listed(): Measure[] {
  return withBook((db, take) => {
    take("customers", customers(SCHEDULES));
    fill(db);
    return ["lot4711", "glaze lot77", "K-99999", "Tenant 77 of"].map((text) => {
      const page = {
        state: "all",
        today: ON,
        order: "i.issued_on DESC, i.id",
        limit: 100,
        offset: 0,
      } as const;
      const times = [1, 2, 3].map(() => {
        const from = performance.now();
        openItemPage(db, { ...page, text });
        return performance.now() - from;
      });
      const { count } = openItemPage(db, { ...page, text });
      return {
        work: `the list of ${INVOICES.toLocaleString("en")} invoices looked through for “${text}” (${count} found)`,
        took: `${Math.max(...times).toFixed(0)} ms`,
        must: "200 ms",
      };
    });
  });
}
