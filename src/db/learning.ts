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
  return db.all<PaidFor>(`SELECT payer_name AS payerName, payer_email AS payerEmail, customer_id AS customerId, count(*) AS times FROM receipt r WHERE ${COUNTS} GROUP BY 1, 2, 3`);
}

export function payersOf(db: Db, customerId: number): PaidFor[] {
  return db.all<PaidFor>(`SELECT payer_name AS payerName, payer_email AS payerEmail, customer_id AS customerId, count(*) AS times FROM receipt r WHERE r.customer_id = ? AND ${COUNTS} GROUP BY 1, 2 ORDER BY times DESC, 1, 2`, customerId);
}

/**
 * How customers usually pay, from what their receipts were given to: how many
 * receipts, how many quoted a number of what they paid, how many paid several
 * items, and how many paid all that was due then.
 */
export function habits(db: Db, customerId: number | null = null): Habit[] {
  return db.all<Habit>(
    `SELECT customerId, count(*) AS receipts, sum(quoted) AS quoted, sum(n > 1) AS several FROM (
       SELECT r.id, r.customer_id AS customerId, count(*) AS n, max(instr(upper(r.reference), upper(i.number)) > 0) AS quoted
       FROM receipt r JOIN application p ON p.receipt_id = r.id AND p.ended_by IS NULL AND p.amount > 0 JOIN open_item i ON i.id = p.open_item_id
       WHERE r.customer_id IS NOT NULL AND (?1 IS NULL OR r.customer_id = ?1)
         AND r.id > coalesce((SELECT max(f.up_to_receipt) FROM forgotten f JOIN act a ON a.id = f.act_id WHERE a.undone_by IS NULL AND f.what = 'habit' AND f.customer_id = r.customer_id), 0)
       GROUP BY r.id) GROUP BY customerId`,
    customerId,
  );
}

const lastReceipt = "(SELECT coalesce(max(id), 0) FROM receipt)";

export function insertCorrection(db: Db, correction: { receiptId: number; payerName: string; payerEmail: string; notCustomerId: number; customerId: number; actId: number }): void {
  db.run(`INSERT INTO correction (receipt_id, payer_name, payer_email, not_customer_id, customer_id, up_to_receipt, act_id) VALUES (?, ?, ?, ?, ?, ${lastReceipt}, ?)`, correction.receiptId, correction.payerName, correction.payerEmail, correction.notCustomerId, correction.customerId, correction.actId);
}

export function insertForgotten(db: Db, forgotten: { customerId: number; what: "payer" | "habit"; payerName: string; payerEmail: string; actId: number }): void {
  db.run(`INSERT INTO forgotten (customer_id, what, payer_name, payer_email, up_to_receipt, act_id) VALUES (?, ?, ?, ?, ${lastReceipt}, ?)`, forgotten.customerId, forgotten.what, forgotten.payerName, forgotten.payerEmail, forgotten.actId);
}
