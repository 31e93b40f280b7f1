import type { Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

import type { Db } from "./connection";

/** What of an invoice is earned over months; sums in its currency, and the book's as it was posted. */
export type Deferral = {
  id: number;
  openItemId: number;
  incomeOf: string | null;
  currency: Currency;
  /** The last day of the first month that earns a part. */
  firstOn: Day;
  months: number;
  sum: Minor;
  bookSum: Minor;
};

/** A deferral with what is left of it, and how many months have had their part. */
export type DeferralLeft = Deferral & {
  number: string;
  customerId: number;
  left: Minor;
  bookLeft: Minor;
  released: number;
};

export function insertDeferral(db: Db, deferral: Omit<Deferral, "id">): void {
  db.run(
    `INSERT INTO deferral (open_item_id, income_of, currency, first_on, months, sum, book_sum)
     VALUES (?, ?, ?, ?, ?, ?, ?)`,
    deferral.openItemId,
    deferral.incomeOf,
    deferral.currency,
    deferral.firstOn,
    deferral.months,
    deferral.sum,
    deferral.bookSum,
  );
}

type Move = { deferralId: number; monthNo: number | null; sum: Minor; bookSum: Minor };

/** Notes what goes out of a deferral: a month's part, or (without a month) what is taken back. */
export function moveDeferral(db: Db, move: Move, actId: number): void {
  db.run(
    "INSERT INTO deferral_move (deferral_id, month_no, sum, book_sum, act_id) VALUES (?, ?, ?, ?, ?)",
    move.deferralId,
    move.monthNo,
    move.sum,
    move.bookSum,
    actId,
  );
}

const LEFT = `
  SELECT d.id, d.open_item_id AS openItemId, d.income_of AS incomeOf, d.currency, d.first_on AS firstOn,
    d.months, d.sum, d.book_sum AS bookSum, i.number, i.customer_id AS customerId,
    d.sum - coalesce(sum(m.sum), 0) AS left, d.book_sum - coalesce(sum(m.book_sum), 0) AS bookLeft,
    count(m.month_no) AS released
  FROM deferral d JOIN open_item i ON i.id = d.open_item_id
  LEFT JOIN deferral_move m ON m.deferral_id = d.id`;

/** What is left of all deferrals of an invoice. */
export function deferralsOf(db: Db, openItemId: number): DeferralLeft[] {
  return db.all<DeferralLeft>(
    `${LEFT} WHERE d.open_item_id = ? GROUP BY d.id ORDER BY d.id`,
    openItemId,
  );
}

/** The deferrals with months whose part is still to be earned, the oldest first. */
export function deferralsLeft(db: Db): DeferralLeft[] {
  return db.all<DeferralLeft>(
    `${LEFT} GROUP BY d.id HAVING count(m.month_no) < d.months AND d.sum <> coalesce(sum(m.sum), 0) ORDER BY d.first_on, d.id`,
  );
}
