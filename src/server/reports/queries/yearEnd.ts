import type { YearEndFacts } from "@/contracts/reports";
import type { Day } from "@/core/calendar";
import { cashIncome, CREDIT_AGES, creditAge, type Paid } from "@/core/metrics";
import { add, type Minor, sumOf, ZERO } from "@/core/money";
import type { Db } from "@/db/connection";
import { worthOn } from "@/db/rates";
import { readSettings } from "@/db/settings";
import { creditsAsOf, grossByMonth, paidOnInvoices, recoveredBetween, taxByMonth } from "@/db/year";

const MOST_CREDITS = 50;

export function yearPageOf(db: Db, year: string, today: Day): YearEndFacts {
  const [from, to] = [`${year}-01-01` as Day, `${year}-12-31` as Day];
  const gross = new Map<string, Minor[]>();
  for (const { account, month, sum } of grossByMonth(db, from, to)) {
    const months = gross.get(account) ?? Array.from({ length: 12 }, () => add(0));
    months[Number(month.slice(5)) - 1] = sum;
    gross.set(account, months);
  }
  const asOf = to < today ? to : today;
  const credits = creditsAsOf(db, asOf).map((credit) => ({
    ...credit,
    age: creditAge(credit.since, asOf),
  }));
  const { currency } = readSettings(db);
  // What came in another currency is income at the rate of the day it came.
  const paid = paidOnInvoices(db, from, to).map((entry) => ({
    ...entry,
    amount: worthOn(db, {
      amount: entry.amount,
      currency: entry.currency,
      book: currency,
      on: entry.cameOn,
    }),
  }));
  // A debt that was written off and is paid after all is income when it comes.
  const recovered = recoveredBetween(db, from, to).map(({ on, amount }) => ({
    on,
    amount,
    total: amount,
    tax: ZERO,
  }));
  const months = cashIncome([...paid, ...recovered] satisfies Paid[]);
  return {
    year,
    gross: [...gross].map(([account, all]) => ({ account, months: all, sum: add(...all) })),
    tax: taxByMonth(db, from, to),
    cash: {
      months,
      received: sumOf(months, ({ received }) => received),
      income: sumOf(months, ({ income }) => income),
      tax: sumOf(months, ({ tax }) => tax),
    },
    credits: {
      sum: sumOf(credits, ({ sum }) => sum),
      oldest: credits.slice(0, MOST_CREDITS),
      ages: CREDIT_AGES.map((age) => {
        const of = credits.filter((credit) => credit.age === age);
        return { age, count: of.length, sum: sumOf(of, ({ sum }) => sum) };
      }),
    },
  };
}
