import type { Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";
import type { Method, Parts, ReceiptState } from "@/core/receipts";

import type { Db } from "./connection";

export type ReceiptRow = {
  id: number; source: "processor" | "bank"; method: Method; paidOn: Day; settledOn: Day; currency: Currency; amount: Minor; payerName: string; payerEmail: string; reference: string;
  customerId: number | null; state: ReceiptState; unidentified: Minor; onAccount: Minor; applied: Minor; parked: Minor; goneBack: Minor; disputed: 0 | 1; reason: string | null; fileId: number | null; lineNo: number | null;
};
const COLUMNS = `r.id, r.source, r.method, r.paid_on AS paidOn, r.settled_on AS settledOn, r.currency, r.amount, r.payer_name AS payerName, r.payer_email AS payerEmail, r.reference,
  r.customer_id AS customerId, r.state, r.unidentified, r.on_account AS onAccount, r.applied, r.parked, r.gone_back AS goneBack, r.disputed, r.reason, r.file_id AS fileId, r.line_no AS lineNo`;

export function partsOf(row: ReceiptRow): Parts {
  return { unidentified: row.unidentified, onAccount: row.onAccount, applied: row.applied, parked: row.parked, goneBack: row.goneBack };
}

export function receiptById(db: Db, id: number): ReceiptRow | undefined {
  return db.get<ReceiptRow>(`SELECT ${COLUMNS} FROM receipt r WHERE r.id = ?`, id);
}

export function receiptsInState(db: Db, state: ReceiptState): ReceiptRow[] {
  return db.all<ReceiptRow>(`SELECT ${COLUMNS} FROM receipt r WHERE r.state = ? ORDER BY r.paid_on, r.id`, state);
}

export function receiptsOf(db: Db, customerId: number): ReceiptRow[] {
  return db.all<ReceiptRow>(`SELECT ${COLUMNS} FROM receipt r WHERE r.customer_id = ? ORDER BY r.paid_on DESC, r.id DESC`, customerId);
}

export function insertReceipt(db: Db, receipt: Pick<ReceiptRow, "source" | "method" | "paidOn" | "settledOn" | "currency" | "amount" | "payerName" | "payerEmail" | "reference" | "fileId" | "lineNo">): number {
  return db.run(
    `INSERT INTO receipt (source, method, paid_on, settled_on, currency, amount, payer_name, payer_email, reference, state, unidentified, file_id, line_no)
     VALUES (?1, ?2, ?3, ?4, ?5, ?6, ?7, ?8, ?9, 'to_match', ?6, ?10, ?11)`,
    receipt.source, receipt.method, receipt.paidOn, receipt.settledOn, receipt.currency, receipt.amount, receipt.payerName, receipt.payerEmail, receipt.reference, receipt.fileId, receipt.lineNo,
  ).id;
}

export function updateReceipt(db: Db, id: number, to: { state: ReceiptState; parts: Parts; customerId: number | null; reason: string | null }): void {
  db.run(
    "UPDATE receipt SET state = ?, unidentified = ?, on_account = ?, applied = ?, parked = ?, gone_back = ?, customer_id = ?, reason = ? WHERE id = ?",
    to.state, to.parts.unidentified, to.parts.onAccount, to.parts.applied, to.parts.parked, to.parts.goneBack, to.customerId, to.reason, id,
  );
}

export function setDisputed(db: Db, id: number, disputed: 0 | 1): void {
  db.run("UPDATE receipt SET disputed = ? WHERE id = ?", disputed, id);
}

/** Takes a receipt out whose bank line was not a receipt after all; only one that nothing was done with. */
export function deleteUntouchedReceipt(db: Db, id: number): void {
  db.run("UPDATE receipt SET state = 'returned', unidentified = 0, gone_back = amount WHERE id = ? AND state = 'to_match' AND unidentified = amount", id);
}

/** Who paid before, and for whom: what the book has learned from receipts that were placed. */
export function payerHistory(db: Db): { payerName: string; payerEmail: string; customerId: number; times: number }[] {
  return db.all("SELECT payer_name AS payerName, payer_email AS payerEmail, customer_id AS customerId, count(*) AS times FROM receipt WHERE customer_id IS NOT NULL GROUP BY 1, 2, 3");
}

export type ApplicationRow = { id: number; receiptId: number; openItemId: number; amount: Minor; discount: Minor; smallDifference: Minor; onDay: Day; actId: number; endedBy: number | null };
const APPLICATION = `SELECT id, receipt_id AS receiptId, open_item_id AS openItemId, amount, discount, small_difference AS smallDifference, on_day AS onDay, act_id AS actId, ended_by AS endedBy FROM application`;

export function insertApplication(db: Db, application: Omit<ApplicationRow, "id" | "endedBy">): number {
  return db.run(
    "INSERT INTO application (receipt_id, open_item_id, amount, discount, small_difference, on_day, act_id) VALUES (?, ?, ?, ?, ?, ?, ?)",
    application.receiptId, application.openItemId, application.amount, application.discount, application.smallDifference, application.onDay, application.actId,
  ).id;
}

export function endApplication(db: Db, id: number, by: number): void {
  db.run("UPDATE application SET ended_by = ? WHERE id = ?", by, id);
}

export function applicationsOfReceipt(db: Db, receiptId: number): ApplicationRow[] {
  return db.all<ApplicationRow>(`${APPLICATION} WHERE receipt_id = ? ORDER BY id`, receiptId);
}

export function applicationsOfItem(db: Db, openItemId: number): ApplicationRow[] {
  return db.all<ApplicationRow>(`${APPLICATION} WHERE open_item_id = ? ORDER BY id`, openItemId);
}
