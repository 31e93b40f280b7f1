import { addDays, addMonths, daysBetween, type Day } from "@/core/calendar";
import { minor, mulDiv, percentOf, ratioOf, type Minor } from "@/core/money";

/**
 * How paying late is charged: not at all, a fixed sum once, or per cent of what is open for each
 * month, or by the day of a year.
 */
export const FEE_KINDS = ["none", "fixed", "monthly", "yearly"] as const;
/**
 * `grace`: days after the due day in which nothing is charged. `least` and `most` bound each
 * charge; null: no bound.
 */
export type LateFeeRule = {
  readonly kind: (typeof FEE_KINDS)[number];
  readonly fixed: Minor;
  readonly percent: string;
  readonly grace: number;
  readonly least: Minor;
  readonly most: Minor | null;
};
export const NO_FEE: LateFeeRule = {
  kind: "none",
  fixed: minor(0),
  percent: "0",
  grace: 0,
  least: minor(0),
  most: null,
};

export type LateItem = {
  readonly balance: Minor;
  readonly dueOn: Day;
  /** Up to which day it was charged before; null for never. */
  readonly chargedThrough: Day | null;
};
/** What may be charged now, and for the time up to which day. */
export type LateFee = { readonly sum: Minor; readonly through: Day };

/**
 * The late fee of an invoice on a day; null where nothing is to be charged. The
 * fee begins with the due day once the terms and the days of grace have passed
 * (common practice, no source). A fixed fee is charged once; months are whole
 * ones since the due day (or since the last charge); a year is 365 days, half to
 * even. A fee is never charged on a fee: give invoices only.
 * @example 1,000.00 at 1.5 % a month, 70 days late: two months, 30.00
 */
export function lateFeeOn(
  { balance, dueOn, chargedThrough }: LateItem,
  rule: LateFeeRule,
  today: Day,
): LateFee | null {
  if (rule.kind === "none" || balance <= 0 || daysBetween(dueOn, today) <= rule.grace) return null;
  const percent = ratioOf(rule.percent);
  if (!percent.ok) return null;
  const from = chargedThrough ?? dueOn;
  const bounded = (sum: Minor, through: Day): LateFee | null => {
    const fee = minor(Math.min(Math.max(sum, rule.least), rule.most ?? Number.MAX_SAFE_INTEGER));
    return sum <= 0 || fee <= 0 ? null : { sum: fee, through };
  };
  switch (rule.kind) {
    case "fixed":
      return chargedThrough === null ? bounded(rule.fixed, today) : null;
    case "monthly": {
      let months = 0;
      while (addMonths(from, months + 1) <= today) months += 1;
      return bounded(
        minor(percentOf(balance, percent.value, "half-even") * months),
        addMonths(from, months),
      );
    }
    case "yearly": {
      const days = daysBetween(from, today);
      return bounded(
        mulDiv(
          balance,
          percent.value.numerator * BigInt(days),
          percent.value.denominator * 36_500n,
          "half-even",
        ),
        addDays(from, days),
      );
    }
    default:
      throw rule.kind satisfies never;
  }
}
