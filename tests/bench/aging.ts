import { day } from "@/core/calendar";
import { spansOf } from "@/core/metrics";
import { agesPage } from "@/server/queries/ages";
import { proofs } from "@/server/queries/proofs";

import { seconds, withBook } from "./importing";
import type { Measure } from "./measure";

/** Invoices in the book; a tenth of what the architecture asks for, so that the bench ends in minutes. */
const INVOICES = 100_000;

export function aging(): Measure[] {
  return withBook((db, take) => {
    take("customers", `customer_id,name\n${Array.from({ length: 2000 }, (_, at) => `C${at},Customer Number${at} Pottery`).join("\n")}\n`);
    const filled = take("invoices", `invoice_number,customer_id,issued_on,due_on,total\n${Array.from({ length: INVOICES }, (_, at) => `${100_000 + at},C${at % 2000},2026-${String(1 + (at % 10)).padStart(2, "0")}-05,2026-${String(2 + (at % 10)).padStart(2, "0")}-04,${100 + (at % 900)}.00`).join("\n")}\n`);
    const timed = (work: () => unknown): number => { work(); const from = performance.now(); work(); return performance.now() - from; };
    return [
      { work: `Import ${INVOICES.toLocaleString("en")} invoices`, took: seconds(filled), must: "–" },
      { work: `Aging of ${INVOICES.toLocaleString("en")} open invoices, as of an earlier day`, took: seconds(timed(() => agesPage(db, { asOf: day("2026-09-30"), by: "due", edges: [30, 60, 90], spans: spansOf([30, 60, 90], "due"), of: "customer", currency: null }, { limit: 100, offset: 0 }))), must: "300 ms, of 1,000,000 with 100,000 open" },
      { work: "Every proof of that book", took: seconds(timed(() => proofs(db))), must: "–" },
    ];
  });
}
