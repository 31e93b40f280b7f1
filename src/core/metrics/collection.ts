/*
 * The figures by which collecting is judged. Sums are minor units of one
 * currency; results are plain numbers with two decimals (days, per cent), or
 * null where there is nothing to divide by.
 */

const twoDecimals = (value: number): number => Math.round(value * 100) / 100;

/**
 * Days sales outstanding: receivables / credit sales x days (credit management
 * handbooks).
 * @example dso(48_000_00, 360_000_00, 365) // 48.67
 */
export function dso(receivables: number, sales: number, days: number): number | null {
  return sales <= 0 ? null : twoDecimals((receivables / sales) * days);
}

/** Best possible DSO: the same with what is not due yet; what lies between the two are the average days delinquent. */
export function bestPossibleDso(notDue: number, sales: number, days: number): number | null {
  return dso(notDue, sales, days);
}

/**
 * Collection effectiveness index, per cent (Credit Research Foundation):
 * (opening + sales - closing total) / (opening + sales - closing current).
 * @example cei(80_000_00, 60_000_00, 70_000_00, 50_000_00) // 77.78
 */
export function cei(
  opening: number,
  sales: number,
  closing: number,
  closingCurrent: number,
): number | null {
  const could = opening + sales - closingCurrent;
  return could <= 0 ? null : twoDecimals(((opening + sales - closing) / could) * 100);
}

/** Days late on the average of what was paid, weighed by sum; paid early counts below zero. */
export function averageDaysLate(
  paid: readonly { readonly amount: number; readonly daysLate: number }[],
): number | null {
  const sum = paid.reduce((so, { amount }) => so + amount, 0);
  return sum <= 0
    ? null
    : twoDecimals(paid.reduce((so, { amount, daysLate }) => so + amount * daysLate, 0) / sum);
}
