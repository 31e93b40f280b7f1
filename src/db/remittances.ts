import type { Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

import type { Db } from "./connection";

export type RemittanceRow = {
  id: number;
  trace: string;
  paidOn: Day;
  currency: Currency;
  sum: Minor;
  payerName: string;
  receiptId: number | null;
  fileId: number;
};
export type RemittanceLineRow = { lineNo: number; number: string; amount: Minor; discount: Minor };
const REMITTANCE =
  "SELECT id, trace, paid_on AS paidOn, currency, sum, payer_name AS payerName, receipt_id AS receiptId, file_id AS fileId FROM remittance";

export function remittanceLike(
  db: Db,
  trace: string,
  paidOn: Day,
  sum: Minor,
): RemittanceRow | undefined {
  return db.get<RemittanceRow>(
    `${REMITTANCE} WHERE trace = ? AND paid_on = ? AND sum = ?`,
    trace,
    paidOn,
    sum,
  );
}

export function insertRemittance(
  db: Db,
  remittance: Omit<RemittanceRow, "id" | "receiptId">,
  lines: readonly RemittanceLineRow[],
): number {
  const { id } = db.run(
    "INSERT INTO remittance (trace, paid_on, currency, sum, payer_name, file_id) VALUES (?, ?, ?, ?, ?, ?)",
    remittance.trace,
    remittance.paidOn,
    remittance.currency,
    remittance.sum,
    remittance.payerName,
    remittance.fileId,
  );
  for (const line of lines)
    db.run(
      "INSERT INTO remittance_line (remittance_id, line_no, number, amount, discount) VALUES (?, ?, ?, ?, ?)",
      id,
      line.lineNo,
      line.number,
      line.amount,
      line.discount,
    );
  return id;
}

/** Remittances that no receipt was found for yet. */
export function looseRemittances(db: Db): RemittanceRow[] {
  return db.all<RemittanceRow>(`${REMITTANCE} WHERE receipt_id IS NULL ORDER BY id`);
}

export function joinRemittance(db: Db, id: number, receiptId: number): void {
  db.run("UPDATE remittance SET receipt_id = ? WHERE id = ?", receiptId, id);
}

/** Receipts without a remittance that wait and could be what it tells of: the same sum, near its day. */
export function receiptsForRemittance(
  db: Db,
  remittance: RemittanceRow,
  from: Day,
  to: Day,
): { id: number; reference: string }[] {
  return db.all(
    "SELECT id, reference FROM receipt WHERE state = 'to_match' AND amount = ? AND currency = ? AND paid_on BETWEEN ? AND ? AND NOT EXISTS (SELECT 1 FROM remittance m WHERE m.receipt_id = receipt.id) ORDER BY paid_on, id",
    remittance.sum,
    remittance.currency,
    from,
    to,
  );
}

export type ReceiptLine = { receiptId: number; number: string; amount: Minor; discount: Minor };
const JOINED =
  "SELECT m.receipt_id AS receiptId, l.number, l.amount, l.discount FROM remittance m JOIN remittance_line l ON l.remittance_id = m.id JOIN receipt r ON r.id = m.receipt_id";

/** The lines of every remittance that was joined to a receipt that waits, by receipt. */
export function remittanceLines(db: Db, receiptId: number | null = null): ReceiptLine[] {
  return db.all(
    `${JOINED} WHERE (?1 IS NULL OR m.receipt_id = ?1) AND (?1 IS NOT NULL OR r.state = 'to_match') ORDER BY m.id, l.line_no`,
    receiptId,
  );
}

/** The same of receipts that were placed, of those paid from a day on. */
export function remittancesOfPlaced(db: Db, from: Day): ReceiptLine[] {
  return db.all(
    `${JOINED} WHERE r.state = 'placed' AND r.paid_on >= ? ORDER BY m.id, l.line_no`,
    from,
  );
}
