import type { Day } from "@/core/calendar";
import type { WriteOff } from "@/core/ledger";
import { minor, type Currency, type Minor } from "@/core/money";

import type { Db } from "./connection";

/**
 * A debt written off without a payment; `waiting` until a second person has decided, where it is over
 * the limit. Sums are in the item's currency.
 */
export type WriteOffRow = {
  id: number;
  itemId: number;
  number: string;
  customerId: number;
  customer: string;
  currency: Currency;
  sum: Minor;
  tax: Minor;
  kind: WriteOff;
  why: string;
  askedBy: string;
  askedOn: Day;
  state: "waiting" | "posted" | "refused" | "withdrawn" | "undone";
  decidedBy: string | null;
  decidedWhy: string | null;
  actId: number;
  postedAct: number | null;
};
const ROWS = `SELECT w.id, w.open_item_id AS itemId, i.number, i.customer_id AS customerId, c.name AS customer, i.currency, w.sum, w.tax, w.kind, w.why, w.asked_by AS askedBy, w.asked_on AS askedOn, w.state, w.decided_by AS decidedBy, w.decided_why AS decidedWhy, w.act_id AS actId, w.posted_act AS postedAct
  FROM write_off w JOIN open_item i ON i.id = w.open_item_id JOIN customer c ON c.id = i.customer_id`;

export function insertWriteOff(
  db: Db,
  row: Pick<WriteOffRow, "itemId" | "sum" | "kind" | "why" | "askedBy" | "askedOn" | "actId">,
): number {
  return db.run(
    "INSERT INTO write_off (open_item_id, sum, kind, why, asked_by, asked_on, state, act_id) VALUES (?, ?, ?, ?, ?, ?, 'waiting', ?)",
    row.itemId,
    row.sum,
    row.kind,
    row.why,
    row.askedBy,
    row.askedOn,
    row.actId,
  ).id;
}

export function writeOffById(db: Db, id: number): WriteOffRow | undefined {
  return db.get<WriteOffRow>(`${ROWS} WHERE w.id = ?`, id);
}

/** Every write-off of one item, the latest first. */
export function writeOffsOf(db: Db, itemId: number): WriteOffRow[] {
  return db.all<WriteOffRow>(`${ROWS} WHERE w.open_item_id = ? ORDER BY w.id DESC`, itemId);
}

/** Those in a state, the latest first. */
export function writeOffsIn(db: Db, state: WriteOffRow["state"], most = 500): WriteOffRow[] {
  return db.all<WriteOffRow>(`${ROWS} WHERE w.state = ? ORDER BY w.id DESC LIMIT ?`, state, most);
}

/** The one that an act asked for or posted. */
export function writeOffOfAct(db: Db, actId: number): WriteOffRow | undefined {
  return db.get<WriteOffRow>(`${ROWS} WHERE w.act_id = ?1 OR w.posted_act = ?1`, actId);
}

export function decideWriteOffRow(
  db: Db,
  id: number,
  to: {
    state: "posted" | "refused" | "withdrawn" | "undone";
    by: string | null;
    why: string | null;
    tax: Minor;
    postedAct: number | null;
  },
): void {
  db.run(
    "UPDATE write_off SET state = ?, decided_by = ?, decided_why = ?, tax = ?, posted_act = ? WHERE id = ?",
    to.state,
    to.by,
    to.why,
    to.tax,
    to.postedAct,
    id,
  );
}

/**
 * Debts of these customers that were written off as bad, less what was paid for them after all, in one
 * currency; what a payment may recover.
 */
export function recoverable(db: Db, customerIds: readonly number[], currency: Currency): Minor {
  return minor(Math.max(0, givenUpLessPaid(db, customerIds, currency)));
}

/**
 * How much more was paid for debts written off than was written off; only where a write-off is taken back
 * after its payment.
 */
export function overRecovered(db: Db, customerIds: readonly number[], currency: Currency): Minor {
  return minor(Math.max(0, -givenUpLessPaid(db, customerIds, currency)));
}

function givenUpLessPaid(db: Db, customerIds: readonly number[], currency: Currency): number {
  const among = customerIds.map(Number).join(", ");
  const found = db.get<{ left: number }>(
    `SELECT coalesce((SELECT sum(p.small_difference) FROM open_item i JOIN application p ON p.open_item_id = i.id WHERE i.customer_id IN (${among}) AND i.currency = ?1 AND p.write_off = 'bad_debt' AND p.ended_by IS NULL), 0)
       + coalesce((SELECT sum(w.sum) FROM open_item i JOIN write_off w ON w.open_item_id = i.id WHERE i.customer_id IN (${among}) AND i.currency = ?1 AND w.kind = 'bad_debt' AND w.state = 'posted'), 0)
       - coalesce((SELECT sum(recovered) FROM receipt WHERE customer_id IN (${among}) AND currency = ?1), 0) AS left`,
    currency,
  );
  return found?.left ?? 0;
}

/** Receipts, or parts of them, that came for debts written off, the latest first. */
export function recoveries(
  db: Db,
  most = 500,
): {
  receiptId: number;
  on: Day;
  customerId: number;
  customer: string;
  currency: Currency;
  sum: Minor;
}[] {
  return db.all(
    "SELECT r.id AS receiptId, r.settled_on AS 'on', c.id AS customerId, c.name AS customer, r.currency, r.recovered AS sum FROM receipt r JOIN customer c ON c.id = r.customer_id WHERE r.recovered > 0 ORDER BY r.settled_on DESC, r.id DESC LIMIT ?",
    most,
  );
}

/** Debts written off with a payment that was short, by two people, the latest first. */
export function givenUpWithPayments(
  db: Db,
  most = 500,
): {
  itemId: number;
  number: string;
  customerId: number;
  customer: string;
  currency: Currency;
  sum: Minor;
  on: Day;
  receiptId: number;
}[] {
  return db.all(
    "SELECT i.id AS itemId, i.number, c.id AS customerId, c.name AS customer, i.currency, p.small_difference AS sum, p.on_day AS 'on', p.receipt_id AS receiptId FROM application p JOIN open_item i ON i.id = p.open_item_id JOIN customer c ON c.id = i.customer_id WHERE p.write_off = 'bad_debt' AND p.small_difference <> 0 AND p.ended_by IS NULL ORDER BY p.id DESC LIMIT ?",
    most,
  );
}

export function insertAllowanceMove(db: Db, onDay: Day, sum: Minor, actId: number): void {
  db.run("INSERT INTO allowance_move (on_day, sum, act_id) VALUES (?, ?, ?)", onDay, sum, actId);
}
