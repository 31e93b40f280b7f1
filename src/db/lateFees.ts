import { type Day } from "@/core/calendar";
import { type Currency, type Minor } from "@/core/money";

import { type Db } from "./connection";

export type ChargedFee = {
  id: number;
  itemId: number;
  number: string;
  feeItemId: number;
  feeNumber: string;
  customerId: number;
  customer: string;
  currency: Currency;
  through: Day;
  on: Day;
  sum: Minor;
  balance: Minor;
  actId: number;
  /** The letter it was charged with; null for the time that passed. */
  letterId: number | null;
};

/** Late fees that stand, newest first. */
export function lateFees(db: Db): ChargedFee[] {
  return db.all<ChargedFee>(
    `SELECT l.id, l.open_item_id AS itemId, i.number, l.fee_item_id AS feeItemId, f.number AS feeNumber, f.customer_id AS customerId, c.name AS customer, f.currency, l.through, f.issued_on AS "on", l.sum, f.balance, l.act_id AS actId, l.letter_id AS letterId
     FROM late_fee l JOIN open_item i ON i.id = l.open_item_id JOIN open_item f ON f.id = l.fee_item_id JOIN customer c ON c.id = f.customer_id JOIN act a ON a.id = l.act_id WHERE a.undone_by IS NULL ORDER BY l.id DESC`,
  );
}

/**
 * Up to which day each invoice was charged for the time that passed. What was waived counts: it is
 * not asked for again.
 */
export function feesThrough(db: Db): Map<number, Day> {
  return new Map(
    db
      .all<{ itemId: number; through: Day }>(
        "SELECT l.open_item_id AS itemId, max(l.through) AS through FROM late_fee l JOIN act a ON a.id = l.act_id WHERE l.letter_id IS NULL AND (a.undone_by IS NULL OR l.waived = 1) GROUP BY l.open_item_id",
      )
      .map(({ itemId, through }) => [itemId, through]),
  );
}

/** A letter that carried a fee, with the items that it named. */
export type LetterToCharge = {
  letterId: number;
  step: number;
  on: Day;
  fee: Minor;
  currency: Currency;
  itemIds: number[];
};

/** Letters with a fee that was neither charged nor waived, by customer. */
export function lettersToCharge(db: Db): Map<number, LetterToCharge[]> {
  const found = new Map<number, LetterToCharge[]>();
  const rows = db.all<{
    letterId: number;
    customerId: number;
    step: number;
    on: Day;
    fee: Minor;
    currency: Currency;
    items: string;
  }>(
    `SELECT t.id AS letterId, t.customer_id AS customerId, t.step, t.on_day AS "on", t.fee, coalesce(t.fee_currency, t.currency) AS currency, (SELECT json_group_array(i.open_item_id) FROM letter_item i WHERE i.letter_id = t.id) AS items FROM letter t
     WHERE t.fee > 0 AND NOT EXISTS (SELECT 1 FROM late_fee l JOIN act a ON a.id = l.act_id WHERE l.letter_id = t.id AND (a.undone_by IS NULL OR l.waived = 1)) ORDER BY t.id`,
  );
  for (const { customerId, items, ...letter } of rows)
    found.set(customerId, [
      ...(found.get(customerId) ?? []),
      { ...letter, itemIds: JSON.parse(items) as number[] },
    ]);
  return found;
}

export function insertLateFee(
  db: Db,
  fee: {
    itemId: number;
    feeItemId: number;
    through: Day;
    sum: Minor;
    actId: number;
    letterId: number | null;
  },
): void {
  db.run(
    "INSERT INTO late_fee (open_item_id, fee_item_id, through, sum, act_id, letter_id) VALUES (?, ?, ?, ?, ?, ?)",
    fee.itemId,
    fee.feeItemId,
    fee.through,
    fee.sum,
    fee.actId,
    fee.letterId,
  );
}

/** Marks a fee as waived, so that it is not asked for again. */
export function setWaived(db: Db, feeId: number): void {
  db.run("UPDATE late_fee SET waived = 1 WHERE id = ?", feeId);
}
