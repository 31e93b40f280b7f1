import { daysBetween, type Day } from "@/core/calendar";
import { add, minor, mulDiv, sumOf, type Minor } from "@/core/money";

/**
 * Ages of credit on account, as the law of unclaimed property looks at it: the year, up to three,
 * and beyond (common practice, no source; states differ).
 */
export const CREDIT_AGES = ["to_90", "to_365", "to_1095", "over_1095"] as const;
export type CreditAge = (typeof CREDIT_AGES)[number];

export function creditAge(since: Day, asOf: Day): CreditAge {
  const days = daysBetween(since, asOf);
  if (days <= 90) return "to_90";
  if (days <= 365) return "to_365";
  if (days <= 1095) return "to_1095";
  return "over_1095";
}

export function creditAgeWords(age: CreditAge): string {
  return {
    to_90: "up to 90 days",
    to_365: "up to a year",
    to_1095: "up to three years",
    over_1095: "older",
  }[age];
}

/** Money given to an invoice (negative where it went back), with the invoice's total and the tax in it. */
export type Paid = {
  readonly on: Day;
  readonly amount: Minor;
  readonly total: Minor;
  readonly tax: Minor;
};
/** Income and tax of money that came in within a month. */
export type CashMonth = {
  readonly month: string;
  readonly received: Minor;
  readonly income: Minor;
  readonly tax: Minor;
};

/**
 * Income on the cash basis by month: what was paid on invoices, less the tax in
 * it, each payment's tax its share of the invoice's, rounded half to even.
 * @example 54.00 paid of an invoice of 108.00 with 8.00 tax: income 50.00, tax 4.00
 */
export function cashIncome(paid: readonly Paid[]): CashMonth[] {
  const months = new Map<string, Paid[]>();
  for (const entry of paid)
    months.set(entry.on.slice(0, 7), [...(months.get(entry.on.slice(0, 7)) ?? []), entry]);
  return [...months]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([month, all]) => {
      const received = sumOf(all, ({ amount }) => amount);
      const tax = sumOf(all, taxIn);
      return { month, received, tax, income: add(received, -tax) };
    });
}

function taxIn({ amount, total, tax }: Paid): Minor {
  return total === 0 ? minor(0) : mulDiv(amount, tax, total, "half-even");
}
