import type { ExpectedItem, FigureMonth, FiguresFacts } from "@/contracts/reports";
import { addDays, addMonths, day, type Day, daysBetween, endOfMonth } from "@/core/calendar";
import {
  type AgeSpan,
  allowanceFor,
  averageDaysLate,
  bestPossibleDso,
  cashByWeek,
  cei,
  DOUBTFUL_PERCENT,
  dso,
  type Lateness,
  latenessOf,
  mondayOf,
  type ToCome,
  UNKNOWN_HABIT,
  type Week,
  weekOf,
} from "@/core/metrics";
import { add, type Currency, formatAmount, minor, type Minor, sumOf, ZERO } from "@/core/money";
import { groupHead } from "@/core/parties";
import { agesTogether } from "@/db/ages";
import type { Db } from "@/db/connection";
import { allCustomers } from "@/db/customers";
import {
  cameOnItems,
  latenessByCustomer,
  paidByDaysLate,
  promisesFrom,
  salesByMonth,
} from "@/db/figures";
import { promiseParts } from "@/db/followup";
import { balancesAsOf } from "@/db/journal";
import { openItemById } from "@/db/openItems";
import { type OpenThen, toBePaidOn } from "@/db/receivableMovements";
import { readSettings } from "@/db/settings";
import type { OverdueRow } from "@/server/overdue/queries/overdue";

import { agingTogether } from "./ages";

const MONTHS = 12;
/** Sales of so many days stand against receivables, so that one quiet month does not make a figure jump. */
const SALES_DAYS = 92;
const WEEKS = 8;
const BACK_DAYS = 28;
const MOST_CALLS = 10;
const NOT_DUE: readonly AgeSpan[] = [{ from: null, to: 0, words: "not due" }];

/** How collecting goes: by month, what cash to expect, whom to call first, and what is doubtful. */
export function figuresOf(
  db: Db,
  today: Day,
  rows: readonly OverdueRow[],
  currency: Currency,
): FiguresFacts {
  return {
    months: byMonth(db, today),
    weeks: expected(db, today, toBePaidOn(db, LAST_DAY)),
    before: backtest(db, today),
    calls: callFirst(db, today, rows, currency),
    allowance: doubtful(db, today),
  };
}

function receivablesAt(db: Db, on: Day): Minor {
  return sumOf(
    balancesAsOf(db, on).filter(({ role }) => role === "receivables"),
    ({ balance }) => balance,
  );
}

function byMonth(db: Db, today: Day): FigureMonth[] {
  const first = addMonths(`${today.slice(0, 7)}-01` as Day, 1 - MONTHS);
  const sales = new Map(
    salesByMonth(db, addMonths(first, -3), today).map(({ month, sum }) => [month, sum]),
  );
  const paid = new Map<string, { amount: number; daysLate: number }[]>();
  for (const { month, ...one } of paidByDaysLate(db, first, today)) {
    const list = paid.get(month);
    if (list) list.push(one);
    else paid.set(month, [one]);
  }
  const monthOf = (on: Day): string => on.slice(0, 7);
  const sold = (on: Day): Minor => sales.get(monthOf(on)) ?? add(0);
  return Array.from({ length: MONTHS }, (_, at): FigureMonth => {
    const start = addMonths(first, at);
    const end = endOfMonth(start) < today ? endOfMonth(start) : today;
    const [opening, receivables] = [receivablesAt(db, addDays(start, -1)), receivablesAt(db, end)];
    const [notDue = ZERO] = agesTogether(db, {
      asOf: end,
      by: "due",
      spans: NOT_DUE,
      currency: null,
    });
    const trailing = add(sold(start), sold(addMonths(start, -1)), sold(addMonths(start, -2)));
    const days = Math.min(SALES_DAYS, daysBetween(addMonths(start, -2), end) + 1);
    return {
      month: monthOf(start),
      end,
      sales: sold(start),
      receivables,
      notDue,
      dso: dso(receivables, trailing, days),
      best: bestPossibleDso(notDue, trailing, days),
      cei: cei(opening, sold(start), receivables, notDue),
      daysLate: averageDaysLate(paid.get(monthOf(start)) ?? []),
    };
  });
}

/**
 * Habits of all customers from what was paid up to a day; a customer with fewer than three is taken
 * for the book as a whole.
 */
function habitsUpTo(db: Db, to: Day): (customerId: number) => Lateness {
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

function expected(db: Db, today: Day, items: readonly OpenThen[]): Week[] {
  return cashByWeek(toCome(db, today, items), today, WEEKS);
}

/** What is open now is what stands after everything that was posted, whatever its day. */
const LAST_DAY = day("9999-12-31");

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
function backtest(db: Db, today: Day): FiguresFacts["before"] {
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

/** Worth calling first: sum, age beyond habit, and promises that were broken, in words. */
function callFirst(
  db: Db,
  today: Day,
  rows: readonly OverdueRow[],
  currency: Currency,
): FiguresFacts["calls"] {
  const habit = habitsUpTo(db, today);
  const ranked = rows
    .filter(({ state }) => state === "ready" || state === "later")
    .map((row) => {
      const usual = habit(row.customer.id).middle;
      const beyond = row.oldestDays - Math.max(0, usual);
      const broken = row.lastWord?.kind === "promise" && row.lastWord.state === "broken";
      return {
        row,
        usual,
        beyond,
        broken,
        worth: row.overdue * (1 + Math.max(0, beyond) / 30) * (broken ? 2 : 1),
      };
    })
    .sort((a, b) => b.worth - a.worth || a.row.customer.id - b.row.customer.id);
  return ranked.slice(0, MOST_CALLS).map(({ row, usual, beyond, broken }) => {
    const why = [
      `${formatAmount(row.overdue, currency)}, the oldest ${row.oldestDays} days late`,
      broken ? "a promise was broken" : null,
      habitInWords(usual, beyond),
    ]
      .filter((name) => name !== null)
      .join("; ");
    return { customerId: row.customer.id, name: row.customer.name, overdue: row.overdue, why };
  });
}

function habitInWords(usual: number, beyond: number) {
  if (usual > 1) {
    if (beyond > 7) return `pays ${usual} days late as a rule, so ${beyond} days beyond its habit`;
    return `pays ${usual} days late as a rule: still usual`;
  }
  if (beyond > 7) return "pays on the day as a rule, so something is wrong";
  return null;
}

/** What is doubtful by age, what the allowance stands at, and the entry that brings it there. */
export function doubtful(db: Db, today: Day): FiguresFacts["allowance"] {
  const aging = agingTogether(db, today);
  const percent = readSettings(db).doubtfulPercent ?? DOUBTFUL_PERCENT;
  const { byBucket, sum } = allowanceFor(aging, percent);
  const stands = minor(
    -sumOf(
      balancesAsOf(db, today).filter(({ role }) => role === "allowance"),
      ({ balance }) => balance,
    ),
  );
  return { aging, percent, byBucket, sum, stands, entry: add(sum, -stands) };
}
