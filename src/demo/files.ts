import { type Day } from "@/core/calendar";
import { csv, sum } from "@/practice/csv";

import { CUT_OVER, type World } from "./types";

/** What happened after `from`, up to and including `to`. */
export type Span = { from: Day; to: Day };

const within = (on: Day, { from, to }: Span): boolean => on > from && on <= to;
/** Numbers kept free for fiction (NANP: 555-0100 to 555-0199); a few have none. */
const phoneOf = (at: number): string =>
  at % 11 === 10 ? "" : `+1 312 555 01${String(at % 100).padStart(2, "0")}`;

export function customersFile({ people }: World): string {
  return csv([
    ["customer_id", "name", "email", "phone", "parent_id"],
    ...people.map((person, at) => [
      person.id,
      person.name,
      person.email,
      phoneOf(at),
      person.parent ?? "",
    ]),
  ]);
}

export function invoicesFile(world: World, span: Span): string {
  const paidBefore = new Set(
    world.invoices.filter((invoice) => invoice.dueOn <= CUT_OVER).map(({ number }) => number),
  );
  for (const payment of world.payments)
    for (const line of payment.given ?? []) paidBefore.delete(line.number);
  const rows = world.invoices.filter(
    (invoice) => within(invoice.issuedOn, span) && !paidBefore.has(invoice.number),
  );
  return csv([
    [
      "invoice_number",
      "customer_id",
      "issued_on",
      "due_on",
      "currency",
      "total",
      "balance",
      "tax",
      "po_number",
      "terms",
      "description",
    ],
    ...rows.map((row) => [
      row.number,
      row.person.id,
      row.issuedOn,
      row.dueOn,
      "USD",
      sum(row.total),
      sum(row.total),
      sum(row.tax),
      row.po,
      row.terms,
      row.description,
    ]),
  ]);
}
