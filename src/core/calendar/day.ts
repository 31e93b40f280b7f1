/** A calendar date as text, `YYYY-MM-DD`. It sorts as text. No time, no zone. */
export type Day = string & { readonly __brand: "Day" };

/** The order of the parts of a written date: year-month-day, month/day/year, day/month/year. */
export type DayOrder = "ymd" | "mdy" | "dmy";

/** Earlier days first, for sorting. */
export const earlierFirst = (a: Day, b: Day): number => Number(a > b) - Number(a < b);

/** The day `count` days later (earlier where negative). */
export function addDays(from: Day, count: number): Day {
  return dayOfNumber(dayNumber(from) + count);
}

/** Days from `from` to `to`; positive where `to` is later. */
export function daysBetween(from: Day, to: Day): number {
  return dayNumber(to) - dayNumber(from);
}

const MOST_KNOWN = 20_000;

/**
 * Numbers of days that were computed before: a book has a few thousand different ones, asked for by
 * the million.
 */
const numbers = new Map<Day, number>();

/** Days since 1970-01-01, for hot loops. */
export function dayNumber(of: Day): number {
  const before = numbers.get(of);
  if (before !== undefined) return before;
  const number = Math.round(
    Date.UTC(Number(of.slice(0, 4)), Number(of.slice(5, 7)) - 1, Number(of.slice(8, 10))) /
      86_400_000,
  );
  if (numbers.size < MOST_KNOWN) numbers.set(of, number);
  return number;
}

/** The other way round. */
const days = new Map<number, Day>();

/** The day of a day number. */
export function dayOfNumber(number: number): Day {
  const before = days.get(number);
  if (before !== undefined) return before;
  const day = new Date(number * 86_400_000).toISOString().slice(0, 10) as Day;
  if (days.size < MOST_KNOWN) days.set(number, day);
  return day;
}

/** 1 Monday to 7 Sunday (ISO 8601). */
export function weekday(of: Day): number {
  return ((((dayNumber(of) + 3) % 7) + 7) % 7) + 1;
}

/** A day as programs of other lands write it: 2026-11-24, 11/24/2026 or 24.11.2026. */
export function formatDayAs(of: Day, order: DayOrder): string {
  const [year, month, dayOfMonth] = [of.slice(0, 4), of.slice(5, 7), of.slice(8, 10)];
  if (order === "ymd") return of;
  if (order === "mdy") return `${month}/${dayOfMonth}/${year}`;
  return `${dayOfMonth}.${month}.${year}`;
}

export const WEEKDAYS = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"];
export const MONTHS = [
  "Jan",
  "Feb",
  "Mar",
  "Apr",
  "May",
  "Jun",
  "Jul",
  "Aug",
  "Sep",
  "Oct",
  "Nov",
  "Dec",
];

/** "Tue 24 Nov", and with the year where `today` is in another one: "Tue 24 Nov 2025". */
export function formatDay(of: Day, today?: Day): string {
  const year =
    today !== undefined && today.slice(0, 4) !== of.slice(0, 4) ? ` ${of.slice(0, 4)}` : "";
  return `${WEEKDAYS[weekday(of) - 1]} ${Number(of.slice(8, 10))} ${MONTHS[Number(of.slice(5, 7)) - 1]}${year}`;
}
