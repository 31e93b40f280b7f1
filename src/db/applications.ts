import { type Day } from "@/core/calendar";
import { type WriteOff } from "@/core/ledger";
import { type Minor } from "@/core/money";

import { type Db } from "./connection";

export type ApplicationRow = {
  id: number;
  receiptId: number;
  openItemId: number;
  amount: Minor;
  discount: Minor;
  smallDifference: Minor;
  writeOff: WriteOff;
  /** The parts of the discount and of the difference that lower the tax owed. */
  discountTax: Minor;
  writeOffTax: Minor;
  onDay: Day;
  actId: number;
  endedBy: number | null;
};

const APPLICATION = `SELECT id, receipt_id AS receiptId, open_item_id AS openItemId, amount, discount, small_difference AS smallDifference, write_off AS writeOff, discount_tax AS discountTax, write_off_tax AS writeOffTax, on_day AS onDay, act_id AS actId, ended_by AS endedBy FROM application`;

export function insertApplication(
  db: Db,
  application: Omit<ApplicationRow, "id" | "endedBy">,
): number {
  return db.run(
    "INSERT INTO application (receipt_id, open_item_id, amount, discount, small_difference, write_off, discount_tax, write_off_tax, on_day, act_id) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)",
    application.receiptId,
    application.openItemId,
    application.amount,
    application.discount,
    application.smallDifference,
    application.writeOff,
    application.discountTax,
    application.writeOffTax,
    application.onDay,
    application.actId,
  ).id;
}

export function endApplication(db: Db, id: number, by: number): void {
  db.run("UPDATE application SET ended_by = ? WHERE id = ?", by, id);
}

/** An application that had been ended holds again. */
export function reviveApplication(db: Db, id: number): void {
  db.run("UPDATE application SET ended_by = NULL WHERE id = ?", id);
}

export function applicationsOfReceipt(db: Db, receiptId: number): ApplicationRow[] {
  return db.all<ApplicationRow>(`${APPLICATION} WHERE receipt_id = ? ORDER BY id`, receiptId);
}

export function applicationsOfItem(db: Db, openItemId: number): ApplicationRow[] {
  return db.all<ApplicationRow>(`${APPLICATION} WHERE open_item_id = ? ORDER BY id`, openItemId);
}

/** Receipts that were applied to a customer's items, paid on a day or later. */
export function appliedSince(
  db: Db,
  from: Day,
): { id: number; customerId: number; paidOn: Day; amount: Minor }[] {
  return db.all(
    `SELECT id, customer_id AS customerId, paid_on AS paidOn, amount FROM receipt
     WHERE state = 'placed' AND customer_id IS NOT NULL AND paid_on >= ?`,
    from,
  );
}
