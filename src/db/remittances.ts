import type { Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";
import type { Advised, Joined, Unadvised } from "@/core/receipts";

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

/** An advice as it was told: what numbers its payment, and the invoices that it names, in its order. */
export type AdviceTold = { trace: string; paidOn: Day; payerName: string; numbers: string[] };

/** Advices of a sum from one day to another, both with it, whatever numbers the payment. */
export const remittancesNear = (
  db: Db,
  [from, to]: readonly [Day, Day],
  sum: Minor,
): AdviceTold[] =>
  db
    .all<Omit<AdviceTold, "numbers"> & { numbers: string }>(
      `SELECT trace, paid_on AS paidOn, payer_name AS payerName, (
         SELECT json_group_array(number ORDER BY line_no) FROM remittance_line WHERE remittance_id = r.id
       ) AS numbers
       FROM remittance r WHERE paid_on BETWEEN ? AND ? AND sum = ?`,
      from,
      to,
      sum,
    )
    .map((row) => ({ ...row, numbers: JSON.parse(row.numbers) as string[] }));

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
function looseRemittances(db: Db): RemittanceRow[] {
  return db.all<RemittanceRow>(`${REMITTANCE} WHERE receipt_id IS NULL ORDER BY id`);
}

/** What waits and has no advice, of the days in question. */
export const receiptsWithoutAdvice = (db: Db, from: Day, to: Day): Unadvised[] =>
  db.all<Unadvised>(
    `SELECT id, paid_on AS paidOn, currency, amount, payer_name AS payerName, reference FROM receipt r
     WHERE state = 'to_match' AND paid_on BETWEEN ? AND ?
       AND NOT EXISTS (SELECT 1 FROM remittance m WHERE m.receipt_id = r.id)
       AND NOT EXISTS (SELECT 1 FROM remittance_line l WHERE l.receipt_id = r.id)
     ORDER BY paid_on, id`,
    from,
    to,
  );

/** Advice that no receipt was found for yet, with its lines. */
export const looseAdvice = (db: Db): Advised[] =>
  looseRemittances(db).map(({ id, trace, paidOn, currency, sum, payerName }) => ({
    ...{ id, trace, paidOn, currency, sum, payerName },
    lines: db.all<{ lineNo: number; amount: Minor }>(
      "SELECT line_no AS lineNo, amount FROM remittance_line WHERE remittance_id = ? ORDER BY line_no",
      id,
    ),
  }));

/** Joins advice to its receipt; some of its lines where it tells of several. */
export function joinRemittance(db: Db, { adviceId, receiptId, lineNos }: Joined): void {
  const whole = "UPDATE remittance SET receipt_id = coalesce(receipt_id, ?) WHERE id = ?";
  db.run(whole, receiptId, adviceId);
  for (const lineNo of lineNos ?? [])
    db.run(
      "UPDATE remittance_line SET receipt_id = ? WHERE remittance_id = ? AND line_no = ?",
      receiptId,
      adviceId,
      lineNo,
    );
}

export type ReceiptLine = { receiptId: number; number: string; amount: Minor; discount: Minor };
const JOINED =
  "SELECT r.id AS receiptId, l.number, l.amount, l.discount FROM remittance m JOIN remittance_line l ON l.remittance_id = m.id JOIN receipt r ON r.id = coalesce(l.receipt_id, m.receipt_id)";

/** The lines of every remittance that was joined to a receipt that waits, by receipt. */
export function remittanceLines(db: Db, receiptId: number | null = null): ReceiptLine[] {
  return db.all(
    `${JOINED} WHERE (?1 IS NULL OR r.id = ?1) AND (?1 IS NOT NULL OR r.state = 'to_match') ORDER BY m.id, l.line_no`,
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
