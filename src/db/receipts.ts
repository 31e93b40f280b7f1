import type { Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";
import type { HandState, Method, Parts, ReceiptState } from "@/core/receipts";

import type { Db } from "./connection";
import { RECEIPTS } from "./gathered";
import { BOOK_CURRENCY, bookValue } from "./rates";

export type ReceiptRow = {
  id: number;
  source: "processor" | "bank" | "hand";
  method: Method;
  paidOn: Day;
  settledOn: Day;
  currency: Currency;
  amount: Minor;
  payerName: string;
  payerEmail: string;
  reference: string;
  customerId: number | null;
  state: ReceiptState;
  unidentified: Minor;
  onAccount: Minor;
  applied: Minor;
  parked: Minor;
  income: Minor;
  surcharge: Minor;
  recovered: Minor;
  goneBack: Minor;
  disputed: 0 | 1;
  reason: string | null;
  fileId: number | null;
  lineNo: number | null;
  /** Of a check, a money order or a wire. */
  number: string | null;
  handState: HandState | null;
  depositId: number | null;
};
export const COLUMNS = `r.id, r.source, r.method, r.paid_on AS paidOn, r.settled_on AS settledOn, r.currency, r.amount, r.payer_name AS payerName, r.payer_email AS payerEmail, r.reference,
  r.customer_id AS customerId, r.state, r.unidentified, r.on_account AS onAccount, r.applied, r.parked, r.income, r.surcharge, r.recovered, r.gone_back AS goneBack, r.disputed, r.reason, r.file_id AS fileId, r.line_no AS lineNo, r.number, r.hand_state AS handState, r.deposit_id AS depositId`;

export function partsOf(row: ReceiptRow): Parts {
  return {
    unidentified: row.unidentified,
    onAccount: row.onAccount,
    applied: row.applied,
    parked: row.parked,
    income: row.income,
    surcharge: row.surcharge,
    recovered: row.recovered,
    goneBack: row.goneBack,
  };
}

export function receiptById(db: Db, id: number): ReceiptRow | undefined {
  return db.get<ReceiptRow>(`SELECT ${COLUMNS} FROM receipt r WHERE r.id = ?`, id);
}

/** Whose money a receipt is; null where that is not known, or the receipt is not there. */
export const customerOfReceipt = (db: Db, id: number): number | null =>
  db.get<{ customerId: number | null }>(
    "SELECT customer_id AS customerId FROM receipt WHERE id = ?",
    id,
  )?.customerId ?? null;

export function receiptsInState(db: Db, state: ReceiptState): ReceiptRow[] {
  return db.all<ReceiptRow>(
    `SELECT ${COLUMNS} FROM receipt r WHERE r.state = ? ORDER BY r.paid_on, r.id`,
    state,
  );
}

export function receiptsOf(db: Db, customerId: number): ReceiptRow[] {
  return db.all<ReceiptRow>(
    `SELECT ${COLUMNS} FROM receipt r WHERE r.customer_id = ? ORDER BY r.paid_on DESC, r.id DESC`,
    customerId,
  );
}

export function insertReceipt(
  db: Db,
  receipt: Pick<
    ReceiptRow,
    | "source"
    | "method"
    | "paidOn"
    | "settledOn"
    | "currency"
    | "amount"
    | "payerName"
    | "payerEmail"
    | "reference"
    | "fileId"
    | "lineNo"
  > & { number?: string | null },
): number {
  return db.insert(
    RECEIPTS,
    receipt.source,
    receipt.method,
    receipt.paidOn,
    receipt.settledOn,
    receipt.currency,
    receipt.amount,
    receipt.payerName,
    receipt.payerEmail,
    receipt.reference,
    "to_match",
    receipt.amount,
    receipt.fileId,
    receipt.lineNo,
    receipt.number ?? null,
    receipt.source === "hand" ? "on_hand" : null,
  );
}

export function updateReceipt(
  db: Db,
  id: number,
  to: { state: ReceiptState; parts: Parts; customerId: number | null; reason: string | null },
): void {
  db.run(
    "UPDATE receipt SET state = ?, unidentified = ?, on_account = ?, applied = ?, parked = ?, income = ?, surcharge = ?, recovered = ?, gone_back = ?, customer_id = ?, reason = ? WHERE id = ?",
    to.state,
    to.parts.unidentified,
    to.parts.onAccount,
    to.parts.applied,
    to.parts.parked,
    to.parts.income,
    to.parts.surcharge,
    to.parts.recovered,
    to.parts.goneBack,
    to.customerId,
    to.reason,
    id,
  );
}

export function setDisputed(db: Db, id: number, disputed: 0 | 1): void {
  db.run("UPDATE receipt SET disputed = ? WHERE id = ?", disputed, id);
}

/**
 * Takes a receipt out that was none after all (its bank line, or a slip by hand); only one that
 * nothing was done with.
 */
export function deleteUntouchedReceipt(db: Db, id: number): void {
  db.run(
    "UPDATE receipt SET state = 'returned', unidentified = 0, gone_back = amount, hand_state = CASE WHEN hand_state IS NOT NULL THEN 'void' END WHERE id = ? AND state = 'to_match' AND unidentified = amount",
    id,
  );
}

/** What stands on account, by customer. */
export function creditsByCustomer(db: Db): { customerId: number; sum: Minor }[] {
  return db.all(
    `SELECT customer_id AS customerId, sum(on_account) AS sum FROM receipt WHERE customer_id IS NOT NULL AND on_account > 0 AND currency = ${BOOK_CURRENCY} GROUP BY customer_id`,
  );
}

/** Receipts of a customer that have something on account, oldest first. */
export function receiptsOnAccount(db: Db, customerId: number): ReceiptRow[] {
  return db.all<ReceiptRow>(
    `SELECT ${COLUMNS} FROM receipt r WHERE r.customer_id = ? AND r.on_account > 0 ORDER BY r.paid_on, r.id`,
    customerId,
  );
}

/** Receipts in dispute whose customer is known. */
export function disputedReceipts(
  db: Db,
): { customerId: number; amount: Minor; currency: Currency; on: Day }[] {
  return db.all(
    `SELECT customer_id AS customerId, amount, currency, settled_on AS "on" FROM receipt
     WHERE customer_id IS NOT NULL AND disputed = 1`,
  );
}

/** What is on account, by customer and currency: in its own currency and in the book's. */
export function creditsKept(
  db: Db,
): { customerId: number; currency: Currency; own: Minor; onAccount: number }[] {
  const book = bookValue({
    table: "r",
    column: "on_account",
    role: "credits",
    kind: "receipt",
    sign: -1,
  });
  return db.all(
    `SELECT r.customer_id AS customerId, r.currency, sum(r.on_account) AS own,
       sum(${book}) AS onAccount
     FROM receipt r
     WHERE r.customer_id IS NOT NULL AND r.on_account <> 0
     GROUP BY r.customer_id, r.currency`,
  );
}

/** Who a receipt says it is from: a name, else an address, else nothing. */
export function payerOfReceipt(db: Db, receiptId: number): string {
  const row = db.get<{ name: string }>(
    "SELECT coalesce(nullif(payer_name, ''), payer_email) AS name FROM receipt WHERE id = ?",
    receiptId,
  );
  return row?.name ?? "";
}

/** Receipts in a currency that have no home yet, with the id of their charge. */
export function chargesToMatch(
  db: Db,
  currency: Currency,
): { receiptId: number; charge: string; unidentified: Minor; paidOn: Day }[] {
  return db.all(
    `SELECT r.id AS receiptId, i.external_id AS charge, r.unidentified, r.paid_on AS paidOn
     FROM receipt r
     JOIN processor_item i ON i.receipt_id = r.id AND i.kind = 'charge'
     WHERE r.state = 'to_match' AND r.currency = ?`,
    currency,
  );
}

const ROLE_OF_PART = {
  unidentified: "unidentified",
  on_account: "credits",
  parked: "parked",
} as const;
export type ReceiptPart = keyof typeof ROLE_OF_PART;

/** Receipts of which something stands in a part, oldest first; the sum in the book's currency. */
export function receiptsWith(
  db: Db,
  part: ReceiptPart,
): { id: number; payer: string; paidOn: Day; reference: string; amount: Minor }[] {
  return db.all(
    `SELECT id, coalesce(nullif(payer_name, ''), payer_email) AS payer, paid_on AS paidOn,
       reference, ${bookValue({ table: "r", column: part, role: ROLE_OF_PART[part], kind: "receipt", sign: -1 })} AS amount
     FROM receipt r
     WHERE ${part} <> 0
     ORDER BY paid_on, id`,
  );
}
