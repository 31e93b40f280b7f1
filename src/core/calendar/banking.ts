import { day } from "./dates";
import { addDays, weekday, type Day } from "./day";

/**
 * Holidays of the Federal Reserve Banks, by the rules of their schedule: a
 * holiday that falls on a Sunday is kept on the Monday; one that falls on a
 * Saturday leaves the Friday before a banking day.
 */
const holidaysByYear = new Map<number, Set<Day>>();

function nthWeekday(year: number, month: number, which: number, nth: number): Day {
  const first = day(`${year}-${pad(month)}-01`);
  return addDays(first, ((which - weekday(first) + 7) % 7) + 7 * (nth - 1));
}

/** The last Monday of May. */
function lastMondayOfMay(year: number): Day {
  const last = day(`${year}-05-31`);
  return addDays(last, -(weekday(last) - 1));
}

function pad(value: number): string {
  return String(value).padStart(2, "0");
}

function holidaysOf(year: number): Set<Day> {
  const known = holidaysByYear.get(year);
  if (known) return known;
  const fixed = ["01-01", ...(year >= 2021 ? ["06-19"] : []), "07-04", "11-11", "12-25"]
    .map((date) => day(`${year}-${date}`))
    .map((date) => (weekday(date) === 7 ? addDays(date, 1) : date));
  const moving = [
    nthWeekday(year, 1, 1, 3),
    nthWeekday(year, 2, 1, 3),
    lastMondayOfMay(year),
    nthWeekday(year, 9, 1, 1),
    nthWeekday(year, 10, 1, 2),
    nthWeekday(year, 11, 4, 4),
  ];
  const all = new Set([...fixed, ...moving]);
  holidaysByYear.set(year, all);
  return all;
}

/** A weekday on which the Federal Reserve Banks are closed; a holiday on a Saturday is not one of them. */
export function isBankHoliday(of: Day): boolean {
  return weekday(of) <= 5 && holidaysOf(Number(of.slice(0, 4))).has(of);
}

export function isBankingDay(of: Day): boolean {
  return weekday(of) <= 5 && !isBankHoliday(of);
}

/**
 * The banking day that is `count` banking days after `from` (before it where
 * negative). With 0: `from` itself, or the next banking day if it is none.
 */
export function addBankingDays(from: Day, count: number): Day {
  const step = count < 0 ? -1 : 1;
  let at = from;
  let left = Math.abs(count);
  while (left > 0 || !isBankingDay(at)) {
    at = addDays(at, step);
    if (isBankingDay(at)) left = Math.max(0, left - 1);
  }
  return at;
}

/** Banking days after `from` up to and including `to`; negative where `to` is earlier. */
export function bankingDaysBetween(from: Day, to: Day): number {
  if (to < from) return -bankingDaysBetween(to, from);
  let count = 0;
  for (let at = addDays(from, 1); at <= to; at = addDays(at, 1)) if (isBankingDay(at)) count += 1;
  return count;
}
