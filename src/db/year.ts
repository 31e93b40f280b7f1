import type { Day } from "@/core/calendar";
import type { TaxOfAccount } from "@/core/metrics";
import type { Currency, Minor } from "@/core/money";

import type { Db } from "./connection";
import { bookValue } from "./rates";

/**
 * Gross charges by processor account and month of settlement in the book's currency, before fees,
 * refunds and disputes.
 */
export function grossByMonth(
  db: Db,
  from: Day,
  to: Day,
): { account: string; month: string; sum: Minor }[] {
  return db.all(
    `SELECT a.name AS account, substr(i.settled_on, 1, 7) AS month, sum(${bookValue({ table: "i", column: "amount", role: "clearing", kind: "processor_item" })}) AS sum FROM processor_item i JOIN processor_account a ON a.id = i.processor_account_id
     WHERE i.kind = 'charge' AND i.withdrawn = 0 AND i.settled_on BETWEEN ? AND ? GROUP BY a.id, month ORDER BY a.id, month`,
    from,
    to,
  );
}

/**
 * Each tax account: what invoices charged, what discounts, credit notes and bad debts took off, and
 * what stood at the end.
 */
export function taxByMonth(db: Db, from: Day, to: Day): TaxOfAccount[] {
  return db.all(
    `SELECT a.code, a.name, coalesce(-sum(CASE WHEN e.event = 'invoice' AND e.posted_on >= ?1 THEN l.book_amount END), 0) AS charged, coalesce(sum(CASE WHEN e.event <> 'invoice' AND e.posted_on >= ?1 THEN l.book_amount END), 0) AS less, coalesce(-sum(l.book_amount), 0) AS balance
     FROM account a LEFT JOIN entry_line l ON l.account_id = a.id LEFT JOIN entry e ON e.id = l.entry_id WHERE a.role = 'tax' AND (e.id IS NULL OR e.posted_on <= ?2) GROUP BY a.id ORDER BY a.code`,
    from,
    to,
  );
}

/**
 * What was given to invoices between two days, and what went back (negative, on
 * its own day). What was undone counts as if it had never been.
 */
export function paidOnInvoices(
  db: Db,
  from: Day,
  to: Day,
): { on: Day; amount: Minor; total: Minor; tax: Minor; currency: Currency; cameOn: Day }[] {
  const receipt =
    "i.currency, (SELECT r.settled_on FROM receipt r WHERE r.id = p.receipt_id) AS cameOn";
  return db.all(
    `SELECT p.on_day AS "on", p.amount, i.total, i.tax, ${receipt} FROM application p JOIN open_item i ON i.id = p.open_item_id LEFT JOIN act u ON u.id = p.ended_by WHERE p.on_day BETWEEN ?1 AND ?2 AND (u.id IS NULL OR u.kind <> 'undo')
     UNION ALL SELECT u.on_day, -p.amount, i.total, i.tax, ${receipt} FROM application p JOIN open_item i ON i.id = p.open_item_id JOIN act u ON u.id = p.ended_by WHERE u.on_day BETWEEN ?1 AND ?2 AND u.kind <> 'undo'`,
    from,
    to,
  );
}

/**
 * What came between two days for debts that had been given up, and what of it
 * went back (negative, on its own day); in the book's currency. What was undone
 * counts as if it had never been.
 */
export function recoveredBetween(db: Db, from: Day, to: Day): { on: Day; amount: Minor }[] {
  return db.all(
    `SELECT e.posted_on AS "on", -l.book_amount AS amount FROM entry e CROSS JOIN entry_line l ON l.entry_id = e.id AND l.account_id IN (SELECT id FROM account WHERE role = 'recoveries')
     WHERE e.posted_on BETWEEN ? AND ? AND e.reverses IS NULL AND NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = e.id)`,
    from,
    to,
  );
}

/** What stood on account on a day, receipt by receipt, oldest first; by the journal's own lines. */
export function creditsAsOf(
  db: Db,
  asOf: Day,
): { receiptId: number; customerId: number | null; name: string; since: Day; sum: Minor }[] {
  return db.all(
    `SELECT r.id AS receiptId, r.customer_id AS customerId, coalesce(c.name, nullif(r.payer_name, ''), r.payer_email) AS name, r.paid_on AS since, -sum(l.book_amount) AS sum
     FROM entry_line l JOIN entry e ON e.id = l.entry_id JOIN receipt r ON r.id = l.item_id LEFT JOIN customer c ON c.id = r.customer_id
     WHERE l.item_kind = 'receipt' AND l.account_id IN (SELECT id FROM account WHERE role = 'credits') AND e.posted_on <= ? GROUP BY r.id HAVING sum(l.book_amount) < 0 ORDER BY r.paid_on, r.id`,
    asOf,
  );
}
