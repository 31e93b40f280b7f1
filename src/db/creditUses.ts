import type { Day } from "@/core/calendar";
import type { Minor } from "@/core/money";

import type { Db } from "./connection";

/** What of a credit note was set off against an invoice; positive, in their currency. */
export type CreditUseRow = {
  id: number;
  creditItemId: number;
  openItemId: number;
  amount: Minor;
  onDay: Day;
  actId: number;
  endedBy: number | null;
};

const USE = `
  SELECT id, credit_item_id AS creditItemId, open_item_id AS openItemId, amount, on_day AS onDay,
    act_id AS actId, ended_by AS endedBy
  FROM credit_use`;

export function insertCreditUse(db: Db, use: Omit<CreditUseRow, "id" | "endedBy">): number {
  return db.run(
    `INSERT INTO credit_use (credit_item_id, open_item_id, amount, on_day, act_id)
     VALUES (?, ?, ?, ?, ?)`,
    use.creditItemId,
    use.openItemId,
    use.amount,
    use.onDay,
    use.actId,
  ).id;
}

export function creditUsesOfAct(db: Db, actId: number): CreditUseRow[] {
  return db.all<CreditUseRow>(`${USE} WHERE act_id = ? AND ended_by IS NULL ORDER BY id`, actId);
}

/** All that was set off of or against an item, ended or not. */
export function creditUsesAbout(db: Db, itemId: number): CreditUseRow[] {
  return db.all<CreditUseRow>(
    `${USE} WHERE credit_item_id = ? OR open_item_id = ? ORDER BY id`,
    itemId,
    itemId,
  );
}

export function endCreditUse(db: Db, id: number, by: number): void {
  db.run("UPDATE credit_use SET ended_by = ? WHERE id = ? AND ended_by IS NULL", by, id);
}
