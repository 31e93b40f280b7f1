import type { Day } from "@/core/calendar";
import type { Minor } from "@/core/money";

import type { Db } from "./connection";
import type { MatchItem } from "@/core/matching";

/** What a receipt was given to, of those that were placed from a day on. */
export type Placement = {
  receiptId: number;
  paidOn: Day;
  itemId: number;
  amount: Minor;
  discount: Minor;
  /** What was written off beside it as a small difference. */
  small: Minor;
};

/** Every application that stands of receipts paid from a day on, in the order of their days. */
export function placementsSince(db: Db, from: Day): Placement[] {
  return db.all<Placement>(
    `SELECT r.id AS receiptId, r.paid_on AS paidOn, p.open_item_id AS itemId, p.amount, p.discount, p.small_difference AS small
     FROM application p JOIN receipt r ON r.id = p.receipt_id
     WHERE p.ended_by IS NULL AND r.state = 'placed' AND r.paid_on >= ? ORDER BY r.paid_on, r.id, p.id`,
    from,
  );
}

/** Items that are open, or that one of these receipts was given to. */
export function itemsOpenOrPaid(db: Db, from: Day): MatchItem[] {
  return db.all<MatchItem>(
    `SELECT id, number, customer_id AS customerId, issued_on AS issuedOn, due_on AS dueOn, currency, total, balance, po_number AS poNumber, terms
     FROM open_item WHERE balance <> 0 OR id IN (SELECT p.open_item_id FROM application p JOIN receipt r ON r.id = p.receipt_id WHERE p.ended_by IS NULL AND r.paid_on >= ?)`,
    from,
  );
}
