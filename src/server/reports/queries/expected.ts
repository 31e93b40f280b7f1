import { type ExpectedItem, type FiguresFacts } from "@/contracts/reports";
import { addDays, day, type Day, daysBetween } from "@/core/calendar";
import {
  cashByWeek,
  type Lateness,
  latenessOf,
  mondayOf,
  type ToCome,
  UNKNOWN_HABIT,
  type Week,
  weekOf,
} from "@/core/metrics";
import { type Minor, sumOf } from "@/core/money";
import { groupHead } from "@/core/parties";
import { type Db } from "@/db/connection";
import { promiseParts } from "@/db/contacts";
import { allCustomers } from "@/db/customers";
import { cameOnItems, latenessByCustomer, promisesFrom } from "@/db/figures";
import { openItemById } from "@/db/openItems";
import { type OpenThen, toBePaidOn } from "@/db/receivableMovements";

const WEEKS = 8;

const BACK_DAYS = 28;

/**
 * Habits of all customers from what was paid up to a day; a customer with fewer than three is taken
 * for the book as a whole.
 */
export function habitsUpTo(db: Db, to: Day): (customerId: number) => Lateness {
  const by = new Map<number, number[]>();
  const all: number[] = [];
  for (const { customerId, days } of latenessByCustomer(db, to)) {
    all.push(days);
    const list = by.get(customerId);
    if (list) list.push(days);
    else by.set(customerId, [days]);
  }
  const book = latenessOf(all) ?? UNKNOWN_HABIT;
  const own = new Map(
    [...by].flatMap(([customerId, days]): [number, Lateness][] => {
      const found = days.length >= 3 ? latenessOf(days) : null;
      return found ? [[customerId, found]] : [];
    }),
  );
  return (customerId) => own.get(customerId) ?? book;
}

export function expected(db: Db, today: Day, items: readonly OpenThen[]): Week[] {
  return cashByWeek(toCome(db, today, items), today, WEEKS);
}

/** What is open now is what stands after everything that was posted, whatever its day. */
export const LAST_DAY = day("9999-12-31");

/** What is expected in a week (by its Monday), item by item, the largest first. */
export function expectedIn(db: Db, today: Day, monday: Day): ExpectedItem[] {
  const names = new Map(allCustomers(db).map(({ id, name }) => [id, name]));
  const at = daysBetween(mondayOf(today), monday) / 7;
  return toCome(db, today, toBePaidOn(db, LAST_DAY))
    .filter((item) => weekOf(item, today) === at)
    .map((item): ExpectedItem => ({
      itemId: item.id,
      number: openItemById(db, item.id)?.number ?? "",
      customerId: item.customerId,
      customer: names.get(item.customerId) ?? "",
      dueOn: item.dueOn,
      amount: item.amount,
      promised: item.promisedOn !== null,
    }))
    .sort((a, b) => b.amount - a.amount || a.itemId - b.itemId);
}

/** Items in the order of their due days, with what their customers' habits and promises say of them. */
function toCome(db: Db, today: Day, items: readonly OpenThen[]): (OpenThen & ToCome)[] {
  const habit = habitsUpTo(db, today);
  const promised = promisedDays(db, today);
  // Field by field: there may be hundreds of thousands.
  return items.map(({ id, customerId, dueOn, left }) => ({
    id,
    customerId,
    dueOn,
    left,
    amount: left,
    habit: habit(customerId),
    promisedOn: dueOn < today ? promised(customerId, left) : null,
  }));
}

/**
 * On which day what is overdue of a customer and its sites is promised, taken oldest first: a
 * promise in parts covers so much by each of its days.
 */
function promisedDays(db: Db, today: Day): (customerId: number, left: Minor) => Day | null {
  const parts = promiseParts(db);
  const open = new Map(
    promisesFrom(db, today).map(({ contactId, customerId, promisedOn }) => [
      customerId,
      {
        days: (parts.get(contactId) ?? []).filter(({ dueOn }) => dueOn >= today),
        last: promisedOn,
        taken: 0,
      },
    ]),
  );
  if (open.size === 0) return () => null;
  const customers = new Map(allCustomers(db).map((customer) => [customer.id, customer]));
  return (customerId, left) => {
    const customer = customers.get(customerId);
    const promise = open.get(customer ? groupHead(customer, customers) : customerId);
    if (!promise) return null;
    promise.taken += left;
    let covered = 0;
    for (const part of promise.days) {
      covered += part.sum ?? 0;
      if (promise.taken <= covered) return part.dueOn;
    }
    return promise.last;
  };
}

/**
 * The same as it would have been computed four weeks ago, from what was known then, against what
 * came since.
 */
export function backtest(db: Db, today: Day): FiguresFacts["before"] {
  const asOf = addDays(today, -BACK_DAYS);
  const items = toBePaidOn(db, asOf);
  const weeks = expected(db, asOf, items);
  const open = new Set(items.map(({ id }) => id));
  return {
    asOf,
    expected: sumOf(weeks.slice(0, BACK_DAYS / 7), (week) => week.expected),
    came: sumOf(
      cameOnItems(db, asOf, today).filter(({ itemId }) => open.has(itemId)),
      ({ amount }) => amount,
    ),
  };
}
