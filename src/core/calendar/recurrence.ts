import { addMonths, endOfMonth } from "./dates";
import { addDays, type Day, daysBetween } from "./day";

export const UNITS = ["day", "week", "month", "quarter", "year"] as const;
export type Unit = (typeof UNITS)[number];

/** How often something comes again; `monthEnd`: on the last day of each month that it falls in. */
export type Every = {
  readonly count: number;
  readonly unit: Unit;
  readonly monthEnd: boolean;
};

const DAYS: Partial<Record<Unit, number>> = { day: 1, week: 7 };
const MONTHS: Partial<Record<Unit, number>> = { month: 1, quarter: 3, year: 12 };

/**
 * The day of the `index`-th time, from 0. Counted from the first day and never from the time before:
 * what begins on the 31st is the 31st again after a shorter month.
 * @example occurrence("2026-01-31", {count: 1, unit: "month", monthEnd: false}, 2) // 2026-03-31
 */
export function occurrence(first: Day, { count, unit, monthEnd }: Every, index: number): Day {
  const days = DAYS[unit];
  if (days !== undefined) return addDays(first, days * count * index);
  const months = (MONTHS[unit] ?? 1) * count * index;
  const on = addMonths(first, months);
  return monthEnd ? endOfMonth(on) : on;
}

/** The time on or before a day that is the latest; -1 before the first. */
export function occurrenceBefore(first: Day, every: Every, on: Day): number {
  if (on < occurrence(first, every, 0)) return -1;
  const step = daysBetween(occurrence(first, every, 0), occurrence(first, every, 1));
  let index = Math.max(0, Math.floor(daysBetween(first, on) / (step + 3)));
  while (occurrence(first, every, index + 1) <= on) index += 1;
  return index;
}
