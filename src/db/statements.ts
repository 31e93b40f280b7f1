import type { Day } from "@/core/calendar";
import type { EntryEvent } from "@/core/ledger";
import type { OpenLine } from "@/core/metrics";
import type { Currency, Minor } from "@/core/money";

import type { Db } from "./connection";

export type PositionLine = {
  entryId: number;
  on: Day;
  event: EntryEvent;
  document: string;
  documentKind: string;
  documentId: number;
  currency: Currency;
  amount: Minor;
};

/**
 * What moved between these customers and the book up to a day: entry by entry
 * and currency by currency, receivables and credit on account together (own
 * sums; positive is owed). What only moves from one to the other is left out.
 */
export function positionLines(db: Db, customerIds: readonly number[], to: Day): PositionLine[] {
  return db.all<PositionLine>(
    `WITH family AS (SELECT value AS id FROM json_each(?1)),
      items AS (SELECT 'open_item' AS kind, id FROM open_item WHERE customer_id IN (SELECT id FROM family) UNION ALL SELECT 'receipt', id FROM receipt WHERE customer_id IN (SELECT id FROM family))
     SELECT e.id AS entryId, e.posted_on AS "on", e.event, e.document, e.document_kind AS documentKind, e.document_id AS documentId, l.currency, sum(l.amount) AS amount
     FROM items CROSS JOIN entry_line l ON l.item_kind = items.kind AND l.item_id = items.id JOIN entry e ON e.id = l.entry_id
     WHERE l.account_id IN (SELECT id FROM account WHERE role IN ('receivables', 'credits')) AND e.posted_on <= ?2 GROUP BY e.id, l.currency HAVING sum(l.amount) <> 0 ORDER BY e.posted_on, e.id`,
    JSON.stringify(customerIds),
    to,
  );
}

/**
 * Heads of groups, and customers of none, of whom something was posted in receivables or on account
 * up to a day and was not settled before another; by name.
 */
export function customersWithPosition(db: Db, to: Day, since: Day): number[] {
  return db
    .all<{ id: number }>(
      `WITH moved AS (
       SELECT i.customer_id AS id, l.book_amount AS sum, e.posted_on AS "on" FROM entry_line l JOIN entry e ON e.id = l.entry_id JOIN open_item i ON i.id = l.item_id WHERE l.item_kind = 'open_item' AND l.account_id IN (SELECT id FROM account WHERE role = 'receivables') AND e.posted_on <= ?1
       UNION ALL SELECT r.customer_id, l.book_amount, e.posted_on FROM entry_line l JOIN entry e ON e.id = l.entry_id JOIN receipt r ON r.id = l.item_id WHERE l.item_kind = 'receipt' AND r.customer_id IS NOT NULL AND l.account_id IN (SELECT id FROM account WHERE role = 'credits') AND e.posted_on <= ?1)
     SELECT h.id FROM (SELECT coalesce(c.parent_id, c.id) AS id, max(m."on") AS last, sum(m.sum) AS sum FROM moved m JOIN customer c ON c.id = m.id GROUP BY 1 HAVING sum(m.sum) <> 0 OR max(m."on") >= ?2) g JOIN customer h ON h.id = g.id ORDER BY h.name, h.id`,
      to,
      since,
    )
    .map(({ id }) => id);
}

/** What was open at these customers at the end of a day, oldest due first; own sums. */
export function openLinesAsOf(db: Db, customerIds: readonly number[], asOf: Day): OpenLine[] {
  return db.all<OpenLine>(
    `SELECT i.id, i.kind, i.number, c.name AS customer, i.issued_on AS issuedOn, i.due_on AS dueOn, i.currency, i.total, sum(l.amount) AS balance, sum(l.book_amount) AS bookBalance, i.po_number AS poNumber, i.description
     FROM open_item i JOIN customer c ON c.id = i.customer_id CROSS JOIN entry_line l ON l.item_kind = 'open_item' AND l.item_id = i.id JOIN entry e ON e.id = l.entry_id
     WHERE i.customer_id IN (SELECT value FROM json_each(?1)) AND e.posted_on <= ?2 AND l.account_id IN (SELECT id FROM account WHERE role = 'receivables') GROUP BY i.id HAVING sum(l.amount) <> 0 ORDER BY i.due_on, i.id`,
    JSON.stringify(customerIds),
    asOf,
  );
}
