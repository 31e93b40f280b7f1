import { addDays, type Day, dayNumber } from "@/core/calendar";
import { bothSums, sumsOf } from "@/core/followup";
import { agingOf, totalAging } from "@/core/metrics";
import { add, type Currency, minor, type Minor } from "@/core/money";

import type { Db } from "./connection";
import { finished, type FollowSums, MoveSums, type Summed } from "./moveSums";
import { BOOK_CURRENCY, bookValue } from "./rates";
import { receivableMovements } from "./receivableMovements";

/**
 * Every customer with something open, summed up: as `sumsOf` does item by item,
 * which a property of the tests holds it to. `ahead`: how many days before the
 * due day the first rung is; `only`: these customers alone. Items in another
 * currency and those left out are few, and are looked at one by one.
 */
export function followSums(
  db: Db,
  today: Day,
  ahead: number,
  only: readonly number[] | null = null,
): Map<number, FollowSums> {
  // A connection that reads has all moves in memory; of few customers, or to one that writes, the
  // database sums up.
  const found =
    only === null && db.readsOnly ? fromMoves(db, today, ahead) : fromItems(db, today, ahead, only);
  const among = only === null ? "" : `AND i.customer_id IN (${only.map(Number).join(", ")})`;
  for (const item of db.all<{
    id: number;
    customerId: number;
    dueOn: Day;
    balance: Minor;
    leftOut: string | null;
  }>(
    `SELECT i.id, i.customer_id AS customerId, i.due_on AS dueOn, ${bookValue({ table: "i", column: "balance", role: "receivables", kind: "open_item" })} AS balance, o.reason AS leftOut FROM open_item i LEFT JOIN item_left_out o ON o.open_item_id = i.id
     WHERE i.balance <> 0 ${among} AND (i.currency <> ${BOOK_CURRENCY} OR i.id IN (SELECT open_item_id FROM item_left_out))`,
  )) {
    const own = {
      sums: sumsOf([item], today, ahead),
      aging: agingOf([item], today),
      notes: minor(item.balance < 0 ? -item.balance : 0),
    };
    found.set(item.customerId, together(found.get(item.customerId), own));
  }
  return found;
}

function fromItems(
  db: Db,
  today: Day,
  ahead: number,
  only: readonly number[] | null,
): Map<number, FollowSums> {
  const among = only === null ? "" : `AND i.customer_id IN (${only.map(Number).join(", ")})`;
  const to = (days: number): string => `'${addDays(today, -days)}'`;
  const bucket = (from: string | null, until: string | null): string =>
    `coalesce(sum(CASE WHEN ${[from === null ? "" : `i.due_on >= ${from}`, until === null ? "" : `i.due_on < ${until}`].filter((part) => part !== "").join(" AND ")} THEN i.balance END), 0)`;
  const soon =
    ahead === 0
      ? "0"
      : `i.balance > 0 AND i.due_on >= '${today}' AND i.due_on <= '${addDays(today, ahead)}'`;
  const found = new Map<number, FollowSums>();
  // Written as one text by the database, which is read several times as fast as row by row.
  for (const row of db.many<Summed>(
    {
      id: "s.id",
      late: "s.late",
      lateFirst: "s.lateFirst",
      ahead: "s.ahead",
      aheadFirst: "s.aheadFirst",
      notes: "s.notes",
      not_due: "s.b0",
      d1_30: "s.b1",
      d31_60: "s.b2",
      d61_90: "s.b3",
      over_90: "s.b4",
    },
    `(
    SELECT i.customer_id AS id, coalesce(sum(CASE WHEN i.balance > 0 AND i.due_on < '${today}' THEN i.balance END), 0) AS late, min(CASE WHEN i.balance > 0 AND i.due_on < '${today}' THEN i.due_on END) AS lateFirst,
      coalesce(sum(CASE WHEN ${soon} THEN i.balance END), 0) AS ahead, min(CASE WHEN ${soon} THEN i.due_on END) AS aheadFirst, coalesce(-sum(CASE WHEN i.balance < 0 THEN i.balance END), 0) AS notes,
      ${bucket(`'${today}'`, null)} AS b0, ${bucket(to(30), `'${today}'`)} AS b1, ${bucket(to(60), to(30))} AS b2, ${bucket(to(90), to(60))} AS b3, ${bucket(null, to(90))} AS b4
    FROM open_item i WHERE i.balance <> 0 ${among} AND i.currency = ${BOOK_CURRENCY} AND i.id NOT IN (SELECT open_item_id FROM item_left_out) GROUP BY i.customer_id) s`,
  ))
    found.set(row.id, finished(row));
  return found;
}

/** The same from the moves of the book in memory; a first day is 0 where there is none. */
function fromMoves(db: Db, today: Day, ahead: number): Map<number, FollowSums> {
  const moves = receivableMovements(db);
  const [sums, now] = [moves.now, dayNumber(today)];
  const book = db.get<{ currency: Currency }>(`SELECT ${BOOK_CURRENCY} AS currency`)?.currency;
  const leftOut = new Set(
    db.all<{ id: number }>("SELECT open_item_id AS id FROM item_left_out").map(({ id }) => id),
  );
  const table = new MoveSums(moves.customers + 1, ahead);
  for (let id = 0; id < sums.length; id += 1) {
    const sum = sums[id] ?? 0;
    if (sum !== 0 && moves.currency[id] === book && !leftOut.has(id))
      table.take(moves.customer[id] ?? 0, sum, moves.dueOn[id] ?? 0, now);
  }
  return table.found();
}

/** The sums of two customers of one group. */
export function together(a: FollowSums | undefined, b: FollowSums): FollowSums {
  return a
    ? {
        sums: bothSums(a.sums, b.sums),
        aging: totalAging([a.aging, b.aging]),
        notes: add(a.notes, b.notes),
      }
    : b;
}
