import type { Day } from "@/core/calendar";
import type { AgreedRate, FeeCharge } from "@/core/fees";
import type { Currency, Minor } from "@/core/money";

import type { Db } from "./connection";

export type AgreedRateRow = AgreedRate & { processorAccountId: number };
type Stored = Omit<AgreedRateRow, "abroad"> & { abroad: 0 | 1 | null };
const rateOf = (row: Stored): AgreedRateRow => ({
  ...row,
  abroad: row.abroad === null ? null : row.abroad === 1,
});
const RATE =
  "SELECT id, processor_account_id AS processorAccountId, method, from_day AS 'from', to_day AS 'to', percent, fixed, least, most, brand, abroad, from_volume AS fromVolume FROM agreed_rate";

export function agreedRates(db: Db): AgreedRateRow[] {
  return db
    .all<Stored>(`${RATE} WHERE ended_by IS NULL ORDER BY processor_account_id, method, from_day`)
    .map(rateOf);
}

export function agreedRateById(db: Db, id: number): AgreedRateRow | undefined {
  const row = db.get<Stored>(`${RATE} WHERE id = ? AND ended_by IS NULL`, id);
  return row && rateOf(row);
}

export function insertAgreedRate(db: Db, rate: Omit<AgreedRateRow, "id">): number {
  return db.run(
    "INSERT INTO agreed_rate (processor_account_id, method, from_day, to_day, percent, fixed, least, most, brand, abroad, from_volume) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)",
    rate.processorAccountId,
    rate.method,
    rate.from,
    rate.to,
    rate.percent,
    rate.fixed,
    rate.least,
    rate.most,
    rate.brand,
    rate.abroad === null ? null : Number(rate.abroad),
    rate.fromVolume,
  ).id;
}

export function endAgreedRate(db: Db, id: number, by: number): void {
  db.run("UPDATE agreed_rate SET ended_by = ? WHERE id = ?", by, id);
}

/** Charges of an account between two days with the fee that was taken for each, positive. */
export function chargesWithFees(
  db: Db,
  accountId: number,
  from: Day,
  to: Day,
): (FeeCharge & { externalId: string; payer: string; receiptId: number | null })[] {
  return db
    .all<
      FeeCharge & { externalId: string; payer: string; receiptId: number | null; foreign: 0 | 1 }
    >(
      `SELECT c.id, c.settled_on AS 'on', r.method, c.amount, c.brand, c.abroad AS 'foreign', coalesce((SELECT -sum(f.amount) FROM processor_item f WHERE f.processor_account_id = c.processor_account_id AND f.kind = 'fee' AND f.related_id = c.external_id AND f.withdrawn = 0), 0) AS fee,
       c.external_id AS externalId, coalesce(nullif(r.payer_name, ''), r.payer_email) AS payer, r.id AS receiptId
     FROM processor_item c JOIN receipt r ON r.id = c.receipt_id WHERE c.processor_account_id = ? AND c.kind = 'charge' AND c.withdrawn = 0 AND c.settled_on BETWEEN ? AND ?`,
      accountId,
      from,
      to,
    )
    .map(({ foreign, ...charge }) => ({ ...charge, abroad: foreign === 1 }));
}

/** A month's fees that are billed later, or were. */
export type AccrualRow = {
  id: number;
  processorAccountId: number;
  account: string;
  accountCode: string;
  month: string;
  currency: Currency;
  sum: Minor;
  onDay: Day;
  state: "accrued" | "billed" | "undone";
  bankLineId: number | null;
  actId: number;
};

export function accruals(db: Db): AccrualRow[] {
  return db.all<AccrualRow>(
    `SELECT f.id, f.processor_account_id AS processorAccountId, a.name AS account, a.code AS accountCode, f.month, f.currency, f.sum, f.on_day AS onDay, f.state, f.bank_line_id AS bankLineId, f.act_id AS actId
     FROM fee_accrual f JOIN processor_account a ON a.id = f.processor_account_id WHERE f.state <> 'undone' ORDER BY f.month DESC, f.id DESC`,
  );
}

export function insertAccrual(
  db: Db,
  accrual: Pick<
    AccrualRow,
    "processorAccountId" | "month" | "currency" | "sum" | "onDay" | "actId"
  >,
): number {
  return db.run(
    "INSERT INTO fee_accrual (processor_account_id, month, currency, sum, on_day, act_id) VALUES (?, ?, ?, ?, ?, ?)",
    accrual.processorAccountId,
    accrual.month,
    accrual.currency,
    accrual.sum,
    accrual.onDay,
    accrual.actId,
  ).id;
}

export function setAccrualState(
  db: Db,
  id: number,
  state: AccrualRow["state"],
  bankLineId: number | null,
): void {
  db.run("UPDATE fee_accrual SET state = ?, bank_line_id = ? WHERE id = ?", state, bankLineId, id);
}
