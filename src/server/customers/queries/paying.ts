import type { PayingFacts } from "@/contracts/customers";
import { addMonths, type Day } from "@/core/calendar";
import type { Db } from "@/db/connection";
import { customerById, sitesOf } from "@/db/customers";
import { paidInFull, paymentsOf } from "@/db/figures";
import { METHOD_WORDS } from "@/server/match/queries/match";
import type { Sheet } from "@/server/output/sheets";

const PAYING_MONTHS = 12;
/** Invoices of a month that a page shows; the file has all. */
const MOST_SHOWN = 30;

const since = (today: Day): Day => addMonths(`${today.slice(0, 7)}-01` as Day, 1 - PAYING_MONTHS);
const family = (db: Db, id: number): number[] => [id, ...sitesOf(db, id).map((site) => site.id)];

export function payingOf(db: Db, id: number, today: Day): PayingFacts {
  const counts = new Map<string, number>();
  for (const { method } of paymentsOf(db, family(db, id), since(today)))
    counts.set(method, (counts.get(method) ?? 0) + 1);
  const months = new Map<string, { id: number; number: string; daysLate: number }[]>();
  for (const { id: itemId, number, paidOn, daysLate } of paidInFull(
    db,
    family(db, id),
    since(today),
  ))
    months.set(paidOn.slice(0, 7), [
      ...(months.get(paidOn.slice(0, 7)) ?? []),
      { id: itemId, number, daysLate },
    ]);
  return {
    months: [...months].map(([month, paid]) => ({
      month,
      daysLate: paid.reduce((so, entry) => so + entry.daysLate, 0) / paid.length,
      count: paid.length,
      invoices: paid.slice(0, MOST_SHOWN),
    })),
    methods: [...counts]
      .sort(([, a], [, b]) => b - a)
      .map(([method, count]) => ({ method: METHOD_WORDS[method] ?? method, count })),
  };
}

/** The same invoice by invoice. */
export function payingSheet(db: Db, id: number, today: Day): Sheet {
  const names = new Map<number, string>();
  const nameOf = (amount: number): string => {
    const known = names.get(amount) ?? customerById(db, amount)?.name ?? "";
    names.set(amount, known);
    return known;
  };
  return {
    columns: ["paid_on", "invoice_number", "customer", "due_on", "days_late"],
    rows: paidInFull(db, family(db, id), since(today)).map((entry) => [
      entry.paidOn,
      entry.number,
      nameOf(entry.customerId),
      entry.dueOn,
      String(entry.daysLate),
    ]),
  };
}
