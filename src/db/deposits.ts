import type { Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

import type { Db } from "./connection";

/** Receipts by hand that went to the bank together. */
export type DepositRow = {
  id: number;
  bankAccountId: number;
  onDay: Day;
  currency: Currency;
  sum: Minor;
  state: "made" | "banked" | "undone";
  bankLineId: number | null;
};
const DEPOSIT =
  "SELECT id, bank_account_id AS bankAccountId, on_day AS onDay, currency, sum, state, bank_line_id AS bankLineId FROM deposit";

export function insertDeposit(
  db: Db,
  deposit: Pick<DepositRow, "bankAccountId" | "onDay" | "currency" | "sum">,
): number {
  return db.run(
    "INSERT INTO deposit (bank_account_id, on_day, currency, sum) VALUES (?, ?, ?, ?)",
    deposit.bankAccountId,
    deposit.onDay,
    deposit.currency,
    deposit.sum,
  ).id;
}

export function depositById(db: Db, id: number): DepositRow | undefined {
  return db.get<DepositRow>(`${DEPOSIT} WHERE id = ?`, id);
}

/** Deposits that no bank line shows yet, oldest first. */
export function depositsUnderWay(db: Db): DepositRow[] {
  return db.all<DepositRow>(`${DEPOSIT} WHERE state = 'made' ORDER BY on_day, id`);
}

export function depositOfLine(db: Db, bankLineId: number): DepositRow | undefined {
  return db.get<DepositRow>(`${DEPOSIT} WHERE bank_line_id = ? AND state = 'banked'`, bankLineId);
}

export function setDepositState(
  db: Db,
  id: number,
  state: DepositRow["state"],
  bankLineId: number | null,
): void {
  db.run("UPDATE deposit SET state = ?, bank_line_id = ? WHERE id = ?", state, bankLineId, id);
}
