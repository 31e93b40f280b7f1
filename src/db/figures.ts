import type { Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

import type { Db } from "./connection";

/**
 * What was sold on credit by month, in the book's currency: invoices and fees less credit notes, as
 * they went into receivables.
 */
export function salesByMonth(db: Db, from: Day, to: Day): { month: string; sum: Minor }[] {
  return db.all(
    `SELECT substr(e.posted_on, 1, 7) AS month, sum(l.book_amount) AS sum FROM entry e CROSS JOIN entry_line l ON l.entry_id = e.id
     WHERE e.posted_on BETWEEN ? AND ? AND e.event IN ('invoice', 'credit_note', 'late_fee') AND l.account_id IN (SELECT id FROM account WHERE role = 'receivables') GROUP BY 1`,
    from,
    to,
  );
}

/** What was paid on invoices by month and days late; own sums. */
export function paidByDaysLate(
  db: Db,
  from: Day,
  to: Day,
): { month: string; daysLate: number; amount: Minor }[] {
  return db.all(
    `SELECT substr(r.paid_on, 1, 7) AS month, CAST(julianday(r.paid_on) - julianday(i.due_on) AS INTEGER) AS daysLate, sum(p.amount) AS amount
     FROM receipt r JOIN application p ON p.receipt_id = r.id JOIN open_item i ON i.id = p.open_item_id WHERE r.paid_on BETWEEN ? AND ? AND p.ended_by IS NULL AND p.amount > 0 GROUP BY 1, 2`,
    from,
    to,
  );
}

/** How late each invoice was paid in full, by customer, from what was paid up to a day. */
export function latenessByCustomer(db: Db, to: Day): { customerId: number; days: number }[] {
  return db.all(
    `SELECT i.customer_id AS customerId, CAST(julianday(max(r.paid_on)) - julianday(i.due_on) AS INTEGER) AS days
     FROM open_item i JOIN application p ON p.open_item_id = i.id JOIN receipt r ON r.id = p.receipt_id WHERE i.kind = 'invoice' AND i.balance = 0 AND p.ended_by IS NULL GROUP BY i.id HAVING max(r.paid_on) <= ?`,
    to,
  );
}

/**
 * The invoices that a customer (with its sites) paid in full since a day, with how late each was;
 * in the order in which they were.
 */
export function paidInFull(
  db: Db,
  customerIds: readonly number[],
  from: Day,
): { id: number; number: string; customerId: number; dueOn: Day; paidOn: Day; daysLate: number }[] {
  return db.all(
    `SELECT i.id, i.number, i.customer_id AS customerId, i.due_on AS dueOn, max(r.paid_on) AS paidOn, CAST(julianday(max(r.paid_on)) - julianday(i.due_on) AS INTEGER) AS daysLate
     FROM open_item i JOIN application p ON p.open_item_id = i.id AND p.ended_by IS NULL JOIN receipt r ON r.id = p.receipt_id
     WHERE i.customer_id IN (SELECT value FROM json_each(?1)) AND i.kind = 'invoice' AND i.balance = 0 GROUP BY i.id HAVING max(r.paid_on) >= ?2 ORDER BY paidOn, i.id`,
    JSON.stringify(customerIds),
    from,
  );
}

/**
 * What a customer (with its sites) paid since a day and how, receipt by receipt, oldest first; each
 * in its own currency.
 */
export function paymentsOf(
  db: Db,
  customerIds: readonly number[],
  from: Day,
): { method: string; amount: Minor; currency: Currency }[] {
  return db.all(
    "SELECT method, amount, currency FROM receipt WHERE customer_id IN (SELECT value FROM json_each(?)) AND paid_on >= ? AND state <> 'returned' ORDER BY paid_on",
    JSON.stringify(customerIds),
    from,
  );
}

/** What came between two days on items that were open before: by item. */
export function cameOnItems(db: Db, after: Day, to: Day): { itemId: number; amount: Minor }[] {
  return db.all(
    "SELECT p.open_item_id AS itemId, sum(p.amount) AS amount FROM receipt r JOIN application p ON p.receipt_id = r.id WHERE r.paid_on > ? AND r.paid_on <= ? AND p.ended_by IS NULL GROUP BY p.open_item_id",
    after,
    to,
  );
}

/** The last promise of each customer that is not due before a day; one in parts has its last day. */
export function promisesFrom(
  db: Db,
  on: Day,
): { contactId: number; customerId: number; promisedOn: Day }[] {
  return db.all(
    "SELECT c.id AS contactId, c.customer_id AS customerId, c.promised_on AS promisedOn FROM contact c JOIN act a ON a.id = c.act_id WHERE c.kind = 'promise' AND a.undone_by IS NULL AND c.promised_on >= ? AND c.id = (SELECT max(o.id) FROM contact o WHERE o.customer_id = c.customer_id AND o.kind = 'promise')",
    on,
  );
}
