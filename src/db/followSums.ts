import { addDays, type Day, dayNumber, dayOfNumber } from "@/core/calendar";
import { bothSums, type ItemSums, sumsOf } from "@/core/followup";
import { type Aging, agingOf, BUCKETS, totalAging } from "@/core/metrics";
import { add, type Currency, minor, type Minor } from "@/core/money";

import type { Db } from "./connection";
import { BOOK_CURRENCY, bookValue } from "./rates";
import { receivableMovements } from "./receivableMovements";

/**
 * What a customer's open items come to, for follow-up; `notes` are its credit notes, positive. Sums
 * in the book's currency.
 */
export type FollowSums = { readonly sums: ItemSums; readonly aging: Aging; readonly notes: Minor };

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

/** What the database sums up of one customer. */
type Summed = Omit<Aging, "total"> & {
  id: number;
  late: Minor;
  lateFirst: Day | null;
  ahead: Minor;
  aheadFirst: Day | null;
  notes: Minor;
};

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

/** What customers have open, a column each, a place for each customer; days are day numbers. */
class MoveSums {
  private readonly buckets: readonly Float64Array[];
  private readonly late: Float64Array;
  private readonly lateFirst: Float64Array;
  private readonly soon: Float64Array;
  private readonly soonFirst: Float64Array;
  private readonly notes: Float64Array;
  private readonly some: Float64Array;

  constructor(
    size: number,
    private readonly ahead: number,
  ) {
    const column = (): Float64Array => new Float64Array(size);
    this.buckets = BUCKETS.map(column);
    this.late = column();
    this.lateFirst = column();
    this.soon = column();
    this.soonFirst = column();
    this.notes = column();
    this.some = column();
  }

  take(at: number, sum: number, dueOn: number, now: number): void {
    const days = now - dueOn;
    this.some[at] = 1;
    count(this.buckets[ageBucket(days)], at, sum);
    if (sum < 0) count(this.notes, at, -sum);
    else if (days > 0) since({ sums: this.late, firsts: this.lateFirst, at, sum, on: dueOn });
    else if (this.ahead > 0 && -days <= this.ahead)
      since({ sums: this.soon, firsts: this.soonFirst, at, sum, on: dueOn });
  }

  found(): Map<number, FollowSums> {
    const found = new Map<number, FollowSums>();
    for (let id = 0; id < this.some.length; id += 1)
      if (this.some[id] === 1) found.set(id, this.of(id));
    return found;
  }

  private of(id: number): FollowSums {
    const sum = (column: Float64Array | undefined): Minor => minor(column?.[id] ?? 0);
    const first = (column: Float64Array): Day | null =>
      column[id] ? dayOfNumber(column[id]) : null;
    const [not_due, d1_30, d31_60, d61_90, over_90] = this.buckets;
    return finished({
      late: sum(this.late),
      lateFirst: first(this.lateFirst),
      ahead: sum(this.soon),
      aheadFirst: first(this.soonFirst),
      notes: sum(this.notes),
      not_due: sum(not_due),
      d1_30: sum(d1_30),
      d31_60: sum(d31_60),
      d61_90: sum(d61_90),
      over_90: sum(over_90),
    });
  }
}

function ageBucket(days: number) {
  if (days <= 0) return 0;
  if (days <= 30) return 1;
  if (days <= 60) return 2;
  if (days <= 90) return 3;
  return 4;
}

function count(sums: Float64Array | undefined, at: number, by: number): void {
  if (sums) sums[at] = (sums[at] ?? 0) + by;
}

type OpenSince = {
  sums: Float64Array;
  firsts: Float64Array;
  at: number;
  sum: number;
  on: number;
};

/** Counts a sum, and keeps the earliest day of all that were. */
function since({ sums, firsts, at, sum, on }: OpenSince): void {
  count(sums, at, sum);
  const known = firsts[at] ?? 0;
  if (known === 0 || on < known) firsts[at] = on;
}

function finished({
  late,
  lateFirst,
  ahead,
  aheadFirst,
  notes,
  not_due,
  d1_30,
  d31_60,
  d61_90,
  over_90,
}: Omit<Summed, "id">): FollowSums {
  return {
    sums: {
      late,
      lateFirst,
      lateNamed: late,
      lateNamedFirst: lateFirst,
      ahead,
      aheadFirst,
      leftOut: null,
      leftOutFirst: null,
    },
    notes,
    aging: {
      not_due,
      d1_30,
      d31_60,
      d61_90,
      over_90,
      total: minor(not_due + d1_30 + d31_60 + d61_90 + over_90),
    },
  };
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
