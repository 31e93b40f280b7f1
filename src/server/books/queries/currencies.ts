import type { ForeignSum } from "@/contracts/books";
import { addDays, type Day } from "@/core/calendar";
import { add, type Minor, sumOf } from "@/core/money";
import type { Db } from "@/db/connection";
import { movedByMonth } from "@/db/journal";
import {
  foreignAsOf,
  rateOn,
  type RateRow,
  rates,
  type Revaluation,
  revaluations,
  worthOn,
} from "@/db/rates";
import { readSettings } from "@/db/settings";

export type CurrenciesPage = {
  asOf: Day;
  open: ForeignSum[];
  off: Minor;
  latest: (RateRow & { ageDays: number })[];
  rates: RateRow[];
  revaluations: Revaluation[];
  /** Exchange gains (negative: a loss) of the year up to the day, by month. */
  exchange: { month: string; sum: Minor }[];
};

const WHAT: Partial<Record<string, string>> = {
  receivables: "Receivables",
  clearing: "In clearing",
  unidentified: "Not identified",
  credits: "On account",
  disputed: "Disputed",
  reserve: "Reserve",
};
const MOST_RATES = 60;

/**
 * What is open in other currencies at the end of a day, against that day's rates; the rates, and
 * what was revalued before.
 */
export function currenciesPage(db: Db, asOf: Day): CurrenciesPage {
  const { currency: book } = readSettings(db);
  const sums = new Map<string, ForeignSum>();
  for (const entry of foreignAsOf(db, asOf)) {
    const what = WHAT[entry.role] ?? entry.role;
    const known = sums.get(`${entry.currency} ${what}`) ?? {
      currency: entry.currency,
      what,
      count: 0,
      amount: add(0),
      book: add(0),
      atRate: add(0),
      off: add(0),
    };
    const atRate = worthOn(db, { amount: entry.amount, currency: entry.currency, book, on: asOf });
    sums.set(`${entry.currency} ${what}`, {
      ...known,
      count: known.count + 1,
      amount: add(known.amount, entry.amount),
      book: add(known.book, entry.book),
      atRate: add(known.atRate, atRate),
      off: add(known.off, atRate, -entry.book),
    });
  }
  const open = [...sums.values()];
  const all = rates(db);
  const latest = [...new Set(all.map(({ currency }) => currency))].sort().flatMap((currency) => {
    const rate = rateOn(db, currency, asOf);
    return rate
      ? [{ ...rate, ageDays: Math.round((Date.parse(asOf) - Date.parse(rate.onDay)) / 86_400_000) }]
      : [];
  });
  const exchange = movedByMonth(db, "exchange", addDays(asOf, -365), asOf);
  return {
    asOf,
    open,
    off: sumOf(open, ({ off }) => off),
    latest,
    rates: all.slice(0, MOST_RATES),
    revaluations: revaluations(db),
    exchange,
  };
}
