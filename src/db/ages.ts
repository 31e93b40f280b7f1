import { type Day, dayNumber } from "@/core/calendar";
import { type AgeAsk, spanOf } from "@/core/metrics";
import { type Currency, minor, type Minor, sumOf, ZERO } from "@/core/money";

import type { Db } from "./connection";
import { receivableMovements, standingOn } from "./receivableMovements";

/** What was open on the day by customer and column; customers of whom nothing was open are left out. */
export function agesByCustomer(
  db: Db,
  { asOf, by, spans, currency }: AgeAsk,
): Map<number, Minor[]> {
  const moves = receivableMovements(db);
  const sums = standingOn(moves, asOf, currency === null ? "book" : "own");
  const spanAt = spansByDay(spans, dayNumber(asOf));
  const found = new Map<number, Minor[]>();
  const add = (id: number, sum: number): void => {
    const from = by === "issued" || moves.isNote[id] ? moves.issuedOn : moves.dueOn;
    const span = spanAt(from[id]);
    const customer = moves.customer[id] ?? 0;
    const ages = found.get(customer) ?? spans.map(() => ZERO);
    ages[span] = minor((ages[span] ?? 0) + sum);
    found.set(customer, ages);
  };
  for (let id = 0; id < sums.length; id += 1) {
    const sum = sums[id] ?? 0;
    if (sum !== 0 && (currency ?? moves.currency[id]) === moves.currency[id]) add(id, sum);
  }
  for (const [id, ages] of found) if (ages.every((sum) => sum === 0)) found.delete(id);
  return found;
}

/** The column of a day, worked out once for each day; days are day numbers. */
function spansByDay(spans: AgeAsk["spans"], today: number): (from: number | undefined) => number {
  const known = new Map<number, number>();
  return (from = today) => {
    let span = known.get(from);
    if (span === undefined) known.set(from, (span = spanOf(spans, today - from)));
    return span;
  };
}

/** The same of all customers together. */
export function agesTogether(db: Db, ask: AgeAsk): Minor[] {
  const all = [...agesByCustomer(db, ask).values()];
  return ask.spans.map((_, at) => sumOf(all, (ages) => ages[at] ?? ZERO));
}

/** What stood in receivables on a day in one currency's own sums. */
export function receivablesIn(db: Db, currency: Currency, asOf: Day): Minor {
  return minor(
    db.get<{ sum: number | null }>(
      "SELECT sum(l.amount) AS sum FROM entry_line l JOIN entry e ON e.id = l.entry_id WHERE l.currency = ? AND e.posted_on <= ? AND l.account_id IN (SELECT id FROM account WHERE role = 'receivables')",
      currency,
      asOf,
    )?.sum ?? 0,
  );
}

/** Credit on account on a day by customer, negative. */
export function creditsByCustomerAsOf(
  db: Db,
  asOf: Day,
  currency: Currency | null,
): Map<number, Minor> {
  const [sum, own] = [
    currency === null ? "l.book_amount" : "l.amount",
    currency === null ? "" : `AND r.currency = '${currency}'`,
  ];
  return new Map(
    db
      .all<{ id: number; credit: Minor }>(
        `SELECT r.customer_id AS id, sum(${sum}) AS credit FROM entry_line l CROSS JOIN entry e ON e.id = l.entry_id CROSS JOIN receipt r ON r.id = l.item_id
       WHERE l.account_id IN (SELECT id FROM account WHERE role = 'credits') AND l.item_kind = 'receipt' AND r.customer_id IS NOT NULL ${own} AND e.posted_on <= ? GROUP BY r.customer_id HAVING sum(${sum}) <> 0`,
        asOf,
      )
      .map(({ id, credit }) => [id, credit]),
  );
}
