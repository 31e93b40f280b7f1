import { type Day } from "@/core/calendar";
import { type Currency, type Minor } from "@/core/money";
import { type HandState, type Method } from "@/core/receipts";

import { type Db } from "./connection";
import { COLUMNS, type ReceiptRow } from "./receipts";

/** Moves receipts by hand on: into a deposit, onto the statement, or back. */
export function setHandState(db: Db, id: number, state: HandState, depositId: number | null): void {
  db.run(
    "UPDATE receipt SET hand_state = ?, deposit_id = ? WHERE id = ? AND hand_state IS NOT NULL",
    state,
    depositId,
    id,
  );
}

export function receiptsByHand(db: Db, state: HandState): ReceiptRow[] {
  return db.all<ReceiptRow>(
    `SELECT ${COLUMNS} FROM receipt r WHERE r.hand_state = ? ORDER BY r.paid_on, r.id`,
    state,
  );
}

export function receiptsOfDeposit(db: Db, depositId: number): ReceiptRow[] {
  return db.all<ReceiptRow>(
    `SELECT ${COLUMNS} FROM receipt r WHERE r.deposit_id = ? ORDER BY r.id`,
    depositId,
  );
}

/** A receipt by hand that looks like one just made; its number decides, or without one its day. */
export function handTwin(
  db: Db,
  receipt: { method: Method; amount: Minor; number: string; payerName: string; paidOn: Day },
): { paidOn: Day } | undefined {
  return db.get<{ paidOn: Day }>(
    `SELECT paid_on AS paidOn FROM receipt
     WHERE hand_state IS NOT NULL AND hand_state <> 'void'
       AND method = ? AND amount = ? AND coalesce(number, '') = ? AND payer_name = ?
       AND (? <> '' OR paid_on = ?)`,
    receipt.method,
    receipt.amount,
    receipt.number,
    receipt.payerName,
    receipt.number,
    receipt.paidOn,
  );
}

/** Checks of a sum that a debit on the statement may be the return of, latest first. At most 20. */
export function checksThatMayBounce(
  db: Db,
  line: { amount: Minor; currency: Currency; postedOn: Day },
): {
  receiptId: number;
  paidOn: Day;
  payer: string;
  number: string | null;
  method: string;
  amount: Minor;
}[] {
  return db.all(
    `SELECT id AS receiptId, paid_on AS paidOn, payer_name AS payer, number, method, amount
     FROM receipt
     WHERE amount = ? AND currency = ? AND state <> 'returned' AND paid_on <= ?
       AND (hand_state = 'banked' OR (source = 'bank' AND method = 'check'))
     ORDER BY paid_on DESC
     LIMIT 20`,
    -line.amount,
    line.currency,
    line.postedOn,
  );
}
