import type { Day } from "@/core/calendar";
import type { AgreedRate, FeeCharge } from "@/core/fees";

import type { Db } from "./connection";

export type AgreedRateRow = AgreedRate & { processorAccountId: number };
const RATE = "SELECT id, processor_account_id AS processorAccountId, method, from_day AS 'from', to_day AS 'to', percent, fixed, least, most FROM agreed_rate";

export function agreedRates(db: Db): AgreedRateRow[] {
  return db.all<AgreedRateRow>(`${RATE} WHERE ended_by IS NULL ORDER BY processor_account_id, method, from_day`);
}

export function agreedRateById(db: Db, id: number): AgreedRateRow | undefined {
  return db.get<AgreedRateRow>(`${RATE} WHERE id = ? AND ended_by IS NULL`, id);
}

export function insertAgreedRate(db: Db, rate: Omit<AgreedRateRow, "id">): number {
  return db.run("INSERT INTO agreed_rate (processor_account_id, method, from_day, to_day, percent, fixed, least, most) VALUES (?, ?, ?, ?, ?, ?, ?, ?)", rate.processorAccountId, rate.method, rate.from, rate.to, rate.percent, rate.fixed, rate.least, rate.most).id;
}

export function endAgreedRate(db: Db, id: number, by: number): void {
  db.run("UPDATE agreed_rate SET ended_by = ? WHERE id = ?", by, id);
}

/** Charges of an account between two days with the fee that was taken for each, positive. */
export function chargesWithFees(db: Db, accountId: number, from: Day, to: Day): (FeeCharge & { externalId: string; payer: string; receiptId: number | null })[] {
  return db.all(
    `SELECT c.id, c.settled_on AS 'on', r.method, c.amount, coalesce((SELECT -sum(f.amount) FROM processor_item f WHERE f.processor_account_id = c.processor_account_id AND f.kind = 'fee' AND f.related_id = c.external_id AND f.withdrawn = 0), 0) AS fee,
       c.external_id AS externalId, coalesce(nullif(r.payer_name, ''), r.payer_email) AS payer, r.id AS receiptId
     FROM processor_item c JOIN receipt r ON r.id = c.receipt_id WHERE c.processor_account_id = ? AND c.kind = 'charge' AND c.withdrawn = 0 AND c.settled_on BETWEEN ? AND ?`,
    accountId, from, to,
  );
}
