import type { Habit, PaidFor } from "@/core/matching";

import type { Db } from "./connection";

/**
 * What the book learned from receipts that were placed. A correction outweighs
 * what was learned of that payer before it; what people had it forget counts
 * no more.
 */
const COUNTS = `r.customer_id IS NOT NULL
  AND NOT EXISTS (SELECT 1 FROM correction c JOIN act a ON a.id = c.act_id WHERE a.undone_by IS NULL AND c.not_customer_id = r.customer_id AND c.payer_name = r.payer_name AND c.payer_email = r.payer_email AND r.id <= c.up_to_receipt)
  AND NOT EXISTS (SELECT 1 FROM forgotten f JOIN act a ON a.id = f.act_id WHERE a.undone_by IS NULL AND f.what = 'payer' AND f.customer_id = r.customer_id AND f.payer_name = r.payer_name AND f.payer_email = r.payer_email AND r.id <= f.up_to_receipt)`;

/** Who paid before, and for whom. */
export function payerHistory(db: Db): PaidFor[] {
  return db.all<PaidFor>(
    `SELECT payer_name AS payerName, payer_email AS payerEmail, customer_id AS customerId, count(*) AS times FROM receipt r WHERE ${COUNTS} GROUP BY 1, 2, 3`,
  );
}

export function payersOf(db: Db, customerId: number): PaidFor[] {
  return db.all<PaidFor>(
    `SELECT payer_name AS payerName, payer_email AS payerEmail, customer_id AS customerId, count(*) AS times FROM receipt r WHERE r.customer_id = ? AND ${COUNTS} GROUP BY 1, 2 ORDER BY times DESC, 1, 2`,
    customerId,
  );
}

/** Receipts since people last had the habits of a customer forgotten. */
const REMEMBERED = (customer: string): string =>
  `r.id > coalesce((SELECT max(f.up_to_receipt) FROM forgotten f JOIN act a ON a.id = f.act_id WHERE a.undone_by IS NULL AND f.what = 'habit' AND f.customer_id = ${customer}), 0)`;
/** Invoices paid in full from which on a usual day can be told. */
const LATENESS_FROM = 3;

/**
 * How customers usually pay, from what their receipts were given to: how many
 * receipts, how many quoted a number of what they paid, how many paid several
 * items; and how many days after the due day its invoices were paid.
 */
export function habits(db: Db, customerId: number | null = null): Habit[] {
  return db.all<Habit>(
    `SELECT h.*, l.late FROM (SELECT customerId, count(*) AS receipts, sum(quoted) AS quoted, sum(n > 1) AS several FROM (
       SELECT r.id, r.customer_id AS customerId, count(*) AS n, max(instr(upper(r.reference), upper(i.number)) > 0) AS quoted
       FROM receipt r JOIN application p ON p.receipt_id = r.id AND p.ended_by IS NULL AND p.amount > 0 JOIN open_item i ON i.id = p.open_item_id
       WHERE r.customer_id IS NOT NULL AND (?1 IS NULL OR r.customer_id = ?1)
         AND ${REMEMBERED("r.customer_id")}
       GROUP BY r.id) GROUP BY customerId) h
     LEFT JOIN (SELECT customerId, CAST(round(avg(days)) AS INTEGER) AS late FROM (
       SELECT i.customer_id AS customerId, julianday(max(r.paid_on)) - julianday(i.due_on) AS days
       FROM open_item i JOIN application p ON p.open_item_id = i.id AND p.ended_by IS NULL JOIN receipt r ON r.id = p.receipt_id
       WHERE i.kind = 'invoice' AND i.balance = 0 AND (?1 IS NULL OR i.customer_id = ?1) AND ${REMEMBERED("i.customer_id")} GROUP BY i.id
     ) GROUP BY customerId HAVING count(*) >= ${LATENESS_FROM}) l ON l.customerId = h.customerId`,
    customerId,
  );
}

const lastReceipt = "(SELECT coalesce(max(id), 0) FROM receipt)";

export function insertCorrection(
  db: Db,
  correction: {
    receiptId: number;
    payerName: string;
    payerEmail: string;
    notCustomerId: number;
    customerId: number;
    actId: number;
  },
): void {
  db.run(
    `INSERT INTO correction (receipt_id, payer_name, payer_email, not_customer_id, customer_id, up_to_receipt, act_id) VALUES (?, ?, ?, ?, ?, ${lastReceipt}, ?)`,
    correction.receiptId,
    correction.payerName,
    correction.payerEmail,
    correction.notCustomerId,
    correction.customerId,
    correction.actId,
  );
}

export function insertForgotten(
  db: Db,
  forgotten: {
    customerId: number;
    what: "payer" | "habit";
    payerName: string;
    payerEmail: string;
    actId: number;
  },
): void {
  db.run(
    `INSERT INTO forgotten (customer_id, what, payer_name, payer_email, up_to_receipt, act_id) VALUES (?, ?, ?, ?, ${lastReceipt}, ?)`,
    forgotten.customerId,
    forgotten.what,
    forgotten.payerName,
    forgotten.payerEmail,
    forgotten.actId,
  );
}
