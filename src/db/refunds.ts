import type { Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

import type { Db } from "./connection";

/** Money that is sent back the way it came; `waiting` for a second person where it is over the limit. */
export type RefundRow = {
  id: number;
  key: string;
  receiptId: number;
  processorAccountId: number;
  chargeId: string;
  currency: Currency;
  amount: Minor;
  creditNoteId: number | null;
  why: string;
  askedBy: string;
  askedOn: Day;
  state: "waiting" | "asked" | "sent" | "refused" | "given_back";
  /** Why the processor refused it. */
  code: string | null;
  decidedBy: string | null;
};

const REFUND = `SELECT id, key, receipt_id AS receiptId, processor_account_id AS processorAccountId, charge_id AS chargeId,
  currency, amount, credit_note_id AS creditNoteId, why, asked_by AS askedBy, asked_on AS askedOn, state, code,
  decided_by AS decidedBy FROM refund`;

export const refundByKey = (db: Db, key: string): RefundRow | undefined =>
  db.get<RefundRow>(`${REFUND} WHERE key = ?`, key);

export const refundById = (db: Db, id: number): RefundRow | undefined =>
  db.get<RefundRow>(`${REFUND} WHERE id = ?`, id);

/** Refunds of a receipt, the latest first. */
export const refundsOf = (db: Db, receiptId: number): RefundRow[] =>
  db.all<RefundRow>(`${REFUND} WHERE receipt_id = ? ORDER BY id DESC`, receiptId);

/** Refunds in a state, the earliest first. */
export const refundsIn = (db: Db, state: RefundRow["state"]): RefundRow[] =>
  db.all<RefundRow>(`${REFUND} WHERE state = ? ORDER BY id LIMIT 1000`, state);

/** Refunds that are not decided, or not answered by the processor. */
export const refundsUnderWay = (db: Db): RefundRow[] =>
  db.all<RefundRow>(`${REFUND} WHERE state IN ('waiting', 'asked')`);

export function insertRefund(db: Db, row: Omit<RefundRow, "id" | "code" | "decidedBy">): number {
  return db.run(
    `INSERT INTO refund (key, receipt_id, processor_account_id, charge_id, currency, amount, credit_note_id, why, asked_by, asked_on, state)
     VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
    row.key,
    row.receiptId,
    row.processorAccountId,
    row.chargeId,
    row.currency,
    row.amount,
    row.creditNoteId,
    row.why,
    row.askedBy,
    row.askedOn,
    row.state,
  ).id;
}

export function setRefund(
  db: Db,
  id: number,
  { state, code, decidedBy }: Pick<RefundRow, "state" | "code" | "decidedBy">,
): void {
  db.run(
    "UPDATE refund SET state = ?, code = ?, decided_by = ? WHERE id = ?",
    state,
    code,
    decidedBy,
    id,
  );
}

/** Credit on account that a debit on the statement may have paid back; the very sum first. At most eight. */
export function creditsThatMayBeRefunded(
  db: Db,
  line: { amount: Minor; currency: Currency; postedOn: Day },
): { receiptId: number; paidOn: Day; name: string; credit: Minor }[] {
  return db.all(
    `SELECT r.id AS receiptId, r.paid_on AS paidOn, coalesce(c.name, r.payer_name) AS name,
       r.on_account AS credit
     FROM receipt r
     LEFT JOIN customer c ON c.id = r.customer_id
     WHERE r.on_account >= ?1 AND r.currency = ?2 AND r.paid_on <= ?3
     ORDER BY r.on_account <> ?1, r.paid_on DESC
     LIMIT 8`,
    -line.amount,
    line.currency,
    line.postedOn,
  );
}
