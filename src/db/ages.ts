import { addDays, type Day } from "@/core/calendar";
import type { AgedBy, AgeSpan } from "@/core/metrics";
import { minor, type Currency, type Minor } from "@/core/money";

import type { Db } from "./connection";
import { BOOK_CURRENCY, bookValue } from "./rates";

/** What is asked of an aging: as of which day, counted from which day of an item, in which columns; in one currency's own sums, or (null) everything in the book's. */
export type AgeAsk = { readonly asOf: Day; readonly by: AgedBy; readonly spans: readonly AgeSpan[]; readonly currency: Currency | null };

/** The part of the journal after a day, and up to it, in receivables. */
function linesAround(db: Db, asOf: Day): { before: number; after: number } {
  return db.get<{ before: number; after: number }>("SELECT coalesce(sum(CASE WHEN d.posted_on <= ?1 THEN d.lines END), 0) AS before, coalesce(sum(CASE WHEN d.posted_on > ?1 THEN d.lines END), 0) AS after FROM account_day d JOIN account a ON a.id = d.account_id WHERE a.role = 'receivables'", asOf) ?? { before: 0, after: 0 };
}

/** Whether what was open on a day is open now: nothing was posted since. */
export function isAsNow(db: Db, asOf: Day): boolean {
  return linesAround(db, asOf).after === 0;
}

/**
 * Parts that add up to what was open on the day, each with its customer (c), the
 * day its age counts from (d) and a sum (b): what is open now less what was
 * posted since, or all that was posted up to the day, whichever is shorter.
 */
function parts(db: Db, { asOf, by, currency }: AgeAsk, among: string): string {
  const day = by === "issued" ? "i.issued_on" : "CASE i.kind WHEN 'credit_note' THEN i.issued_on ELSE i.due_on END";
  const own = currency === null ? "" : `AND i.currency = '${currency}'`;
  // The sign before item_kind keeps the index on it from being used: entry by entry it would be read whole.
  const moved = (when: string, sign: string): string => `SELECT i.customer_id AS c, ${day} AS d, ${sign}l.${currency === null ? "book_amount" : "amount"} AS b FROM entry e CROSS JOIN entry_line l ON l.entry_id = e.id AND +l.item_kind = 'open_item' CROSS JOIN open_item i ON i.id = l.item_id WHERE e.posted_on ${when} '${asOf}' AND l.account_id IN (SELECT id FROM account WHERE role = 'receivables') ${own} ${among}`;
  const { before, after } = linesAround(db, asOf);
  if (after > 0 && before <= after) return moved("<=", "");
  const open = (value: string, which: string): string => `SELECT i.customer_id AS c, ${day} AS d, ${value} AS b FROM open_item i WHERE i.balance <> 0 ${which} ${among}`;
  // What is in the book's own currency is read from an index alone; the others are few.
  const now = currency === null ? `${open("i.balance", `AND i.currency = ${BOOK_CURRENCY}`)} UNION ALL ${open(bookValue("i", "balance", "receivables", "open_item"), `AND i.currency <> ${BOOK_CURRENCY}`)}` : open("i.balance", own);
  return after === 0 ? now : `${now} UNION ALL ${moved(">", "-")}`;
}

const spanSum = (asOf: Day, { from, to }: AgeSpan): string => `coalesce(sum(CASE WHEN ${[from === null ? "" : `d <= '${addDays(asOf, -from)}'`, to === null ? "" : `d >= '${addDays(asOf, -to)}'`].filter((one) => one !== "").join(" AND ") || "1"} THEN b END), 0)`;

/** What was open on the day, by column, of all customers together. */
export function agesTogether(db: Db, ask: AgeAsk): Minor[] {
  const found = db.get<{ sums: string }>(`SELECT json_array(${ask.spans.map((span) => spanSum(ask.asOf, span)).join(", ")}) AS sums FROM (${parts(db, ask, "")})`);
  return (JSON.parse(found?.sums ?? "[]") as number[]).map(minor);
}

/** The same by customer, of these customers or (null) of all; customers of whom nothing was open are left out. */
export function agesByCustomer(db: Db, ask: AgeAsk, only: readonly number[] | null = null): Map<number, Minor[]> {
  const among = only === null ? "" : `AND i.customer_id IN (${only.map(Number).join(", ")})`;
  const sums = ask.spans.map((span) => spanSum(ask.asOf, span));
  const found = db.get<{ rows: string }>(`SELECT json_group_array(json_array(c${sums.map((_, at) => `, s${at}`).join("")})) AS rows FROM (SELECT c${sums.map((sum, at) => `, ${sum} AS s${at}`).join("")} FROM (${parts(db, ask, among)}) GROUP BY c)`);
  return new Map((JSON.parse(found?.rows ?? "[]") as [number, ...number[]][]).flatMap(([id, ...ages]): [number, Minor[]][] => (ages.every((sum) => sum === 0) ? [] : [[id, ages.map(minor)]])));
}

/** A page of customers who have something open now, by name, and how many they are. */
export function customersWithOpen(db: Db, currency: Currency | null, limit: number, offset: number): { ids: number[]; count: number } {
  const own = currency === null ? "" : `AND i.currency = '${currency}'`;
  const ids = db.all<{ id: number }>(`SELECT c.id FROM customer c WHERE EXISTS (SELECT 1 FROM open_item i WHERE i.customer_id = c.id AND i.balance <> 0 ${own}) ORDER BY c.name, c.id LIMIT ? OFFSET ?`, limit, offset).map(({ id }) => id);
  return { ids, count: db.get<{ n: number }>(`SELECT count(DISTINCT i.customer_id) AS n FROM open_item i WHERE i.balance <> 0 ${own}`)?.n ?? 0 };
}

/** What stood in receivables on a day in one currency's own sums. */
export function receivablesIn(db: Db, currency: Currency, asOf: Day): Minor {
  return minor(db.get<{ sum: number | null }>("SELECT sum(l.amount) AS sum FROM entry_line l JOIN entry e ON e.id = l.entry_id WHERE l.currency = ? AND e.posted_on <= ? AND l.account_id IN (SELECT id FROM account WHERE role = 'receivables')", currency, asOf)?.sum ?? 0);
}

/** Credit on account on a day by customer, negative; of these customers or (null) of all. */
export function creditsByCustomerAsOf(db: Db, asOf: Day, currency: Currency | null, only: readonly number[] | null = null): Map<number, Minor> {
  const [sum, own, among] = [currency === null ? "l.book_amount" : "l.amount", currency === null ? "" : `AND r.currency = '${currency}'`, only === null ? "" : `AND r.customer_id IN (${only.map(Number).join(", ")})`];
  return new Map(
    db.all<{ id: number; credit: Minor }>(
      `SELECT r.customer_id AS id, sum(${sum}) AS credit FROM receipt r JOIN entry_line l ON l.item_kind = 'receipt' AND l.item_id = r.id JOIN entry e ON e.id = l.entry_id
       WHERE r.customer_id IS NOT NULL ${own} ${among} AND e.posted_on <= ? AND l.account_id IN (SELECT id FROM account WHERE role = 'credits') GROUP BY r.customer_id HAVING sum(${sum}) <> 0`,
      asOf,
    ).map(({ id, credit }) => [id, credit]),
  );
}
