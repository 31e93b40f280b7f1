import type { FigureMonth, FiguresFacts } from "@/contracts/reports";
import { addDays, addMonths, type Day, daysBetween, endOfMonth } from "@/core/calendar";
import {
  type AgeSpan,
  allowanceFor,
  averageDaysLate,
  bestPossibleDso,
  cei,
  DOUBTFUL_PERCENT,
  dso,
} from "@/core/metrics";
import type { Role } from "@/core/ledger";
import {
  add,
  type Currency,
  formatAmount,
  minor,
  type Minor,
  negate,
  sumOf,
  ZERO,
} from "@/core/money";
import { agesTogether } from "@/db/ages";
import type { Db } from "@/db/connection";
import { paidByDaysLate, salesByMonth } from "@/db/figures";
import { balancesAsOf } from "@/db/journal";
import { notUsedOn, toBePaidOn } from "@/db/receivableMovements";
import { readSettings } from "@/db/settings";
import type { OverdueRow } from "@/server/overdue/queries/overdueRow";

import { agingTogether } from "./ages";
import { backtest, expected, habitsUpTo, LAST_DAY } from "./expected";

const MONTHS = 12;
/** Sales of so many days stand against receivables, so that one quiet month does not make a figure jump. */
const SALES_DAYS = 92;
const MOST_CALLS = 10;
const NOT_DUE: readonly AgeSpan[] = [{ from: null, to: 0, words: "not due" }];

/** How collecting goes: by month, what cash to expect, whom to call first, and what is doubtful. */
export function figuresOf(
  db: Db,
  today: Day,
  rows: readonly OverdueRow[],
  currency: Currency,
): FiguresFacts {
  const open = toBePaidOn(db, LAST_DAY);
  const weeks = expected(db, today, open);
  return {
    months: byMonth(db, today),
    weeks,
    owed: owedOf(
      db,
      sumOf(weeks, ({ expected }) => expected),
      sumOf(open, ({ left }) => left),
    ),
    before: backtest(db, today),
    calls: callFirst(db, today, rows, currency),
    allowance: doubtful(db, today),
  };
}

/** From what is expected within the weeks to receivables, as the proof has them. */
function owedOf(db: Db, within: Minor, open: Minor): FiguresFacts["owed"] {
  const balances = balancesAsOf(db, LAST_DAY);
  const standsAt = (name: Role): Minor =>
    sumOf(
      balances.filter(({ role }) => role === name),
      ({ balance }) => balance,
    );
  return {
    later: minor(open - within),
    open,
    notes: notUsedOn(db, LAST_DAY),
    receivables: standsAt("receivables"),
    onAccount: negate(standsAt("credits")),
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

function habitInWords(usual: number, beyond: number): string | null {
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
