import { addDays, type Day } from "@/core/calendar";
import { bothSums, sumsOf, type ItemSums } from "@/core/followup";
import { agingOf, totalAging, type Aging } from "@/core/metrics";
import { add, minor, type Minor } from "@/core/money";

import type { Db } from "./connection";
import { BOOK_CURRENCY, bookValue } from "./rates";

/** What a customer's open items come to, for follow-up; `notes` are its credit notes, positive. Sums in the book's currency. */
export type FollowSums = { readonly sums: ItemSums; readonly aging: Aging; readonly notes: Minor };

type Summed = { id: number; late: Minor; lateFirst: Day | null; ahead: Minor; aheadFirst: Day | null; notes: Minor; not_due: Minor; d1_30: Minor; d31_60: Minor; d61_90: Minor; over_90: Minor };

/**
 * Every customer with something open, summed up by the database: as `sumsOf`
 * does item by item, which a property of the tests holds it to. Items in
 * another currency and those left out are few, and are looked at one by one.
 * `ahead`: how many days before the due day the first rung is; `only`: these
 * customers alone.
 */
export function followSums(db: Db, today: Day, ahead: number, only: readonly number[] | null = null): Map<number, FollowSums> {
  const among = only === null ? "" : `AND i.customer_id IN (${only.map(Number).join(", ")})`;
  const to = (days: number): string => `'${addDays(today, -days)}'`;
  const bucket = (from: string | null, until: string | null): string => `coalesce(sum(CASE WHEN ${[from === null ? "" : `i.due_on >= ${from}`, until === null ? "" : `i.due_on < ${until}`].filter((part) => part !== "").join(" AND ")} THEN i.balance END), 0)`;
  const soon = ahead === 0 ? "0" : `i.balance > 0 AND i.due_on >= '${today}' AND i.due_on <= '${addDays(today, ahead)}'`;
  const found = new Map<number, FollowSums>();
  // Written as one text by the database, which is read several times as fast as row by row.
  for (const row of db.many<Summed>({ id: "s.id", late: "s.late", lateFirst: "s.lateFirst", ahead: "s.ahead", aheadFirst: "s.aheadFirst", notes: "s.notes", not_due: "s.b0", d1_30: "s.b1", d31_60: "s.b2", d61_90: "s.b3", over_90: "s.b4" }, `(
    SELECT i.customer_id AS id, coalesce(sum(CASE WHEN i.balance > 0 AND i.due_on < '${today}' THEN i.balance END), 0) AS late, min(CASE WHEN i.balance > 0 AND i.due_on < '${today}' THEN i.due_on END) AS lateFirst,
      coalesce(sum(CASE WHEN ${soon} THEN i.balance END), 0) AS ahead, min(CASE WHEN ${soon} THEN i.due_on END) AS aheadFirst, coalesce(-sum(CASE WHEN i.balance < 0 THEN i.balance END), 0) AS notes,
      ${bucket(`'${today}'`, null)} AS b0, ${bucket(to(30), `'${today}'`)} AS b1, ${bucket(to(60), to(30))} AS b2, ${bucket(to(90), to(60))} AS b3, ${bucket(null, to(90))} AS b4
    FROM open_item i WHERE i.balance <> 0 ${among} AND i.currency = ${BOOK_CURRENCY} AND i.id NOT IN (SELECT open_item_id FROM item_left_out) GROUP BY i.customer_id) s`)) {
    const { late, lateFirst, ahead: soonDue, aheadFirst, notes, not_due, d1_30, d31_60, d61_90, over_90 } = row;
    const total = minor(not_due + d1_30 + d31_60 + d61_90 + over_90);
    found.set(row.id, { sums: { late, lateFirst, lateNamed: late, lateNamedFirst: lateFirst, ahead: soonDue, aheadFirst, leftOut: null, leftOutFirst: null }, notes, aging: { not_due, d1_30, d31_60, d61_90, over_90, total } });
  }
  for (const item of db.all<{ id: number; customerId: number; dueOn: Day; balance: Minor; leftOut: string | null }>(
    `SELECT i.id, i.customer_id AS customerId, i.due_on AS dueOn, ${bookValue("i", "balance", "receivables", "open_item")} AS balance, o.reason AS leftOut FROM open_item i LEFT JOIN item_left_out o ON o.open_item_id = i.id
     WHERE i.balance <> 0 ${among} AND (i.currency <> ${BOOK_CURRENCY} OR i.id IN (SELECT open_item_id FROM item_left_out))`,
  )) {
    const own = { sums: sumsOf([item], today, ahead), aging: agingOf([item], today), notes: minor(item.balance < 0 ? -item.balance : 0) };
    found.set(item.customerId, together(found.get(item.customerId), own));
  }
  return found;
}

/** The sums of two customers of one group. */
export function together(a: FollowSums | undefined, b: FollowSums): FollowSums {
  return a ? { sums: bothSums(a.sums, b.sums), aging: totalAging([a.aging, b.aging]), notes: add(a.notes, b.notes) } : b;
}
