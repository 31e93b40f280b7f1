import { Temporal } from "temporal-polyfill";

import { isBookDay } from "@/core/gate";
import { fail, ok, type Result } from "@/core/result";

/** A calendar date as text, `YYYY-MM-DD`. It sorts as text. No time, no zone. */
export type Day = string & { readonly __brand: "Day" };

/** The order of the parts of a written date: year-month-day, month/day/year, day/month/year. */
export type DayOrder = "ymd" | "mdy" | "dmy";

/**
 * A Day of ISO text that is known to be right; throws RangeError on 2026-02-31. For input from
 * outside use parseDay.
 */
export function day(text: string): Day {
  return Temporal.PlainDate.from(text, { overflow: "reject" }).toString() as Day;
}

/** Days that were read before: a large file has few different ones, and to check one takes long. */
const known = new Set<string>();
const MOST_KNOWN = 20_000;

/**
 * Reads a written date: `2026-11-24`, `20261124`, `11/24/2026`, `24.11.26`,
 * each with a time behind it that is left off. Two-digit years are 2000 to 2099; a year of four
 * digits is what it says. Errors: day.empty, day.unreadable, day.impossible (31 February), day.range
 * (before 1900 or after 2199).
 */
export function parseDay(text: string, order: DayOrder): Result<Day, DayError> {
  const trimmed = text.trim();
  if (trimmed === "") return fail("day.empty");
  if (known.has(trimmed)) return ok(trimmed as Day);
  const parts = yearMonthDay(trimmed, order);
  if (parts === null) return fail("day.unreadable", { text: trimmed, order });
  const [year, month, dayOfMonth] = parts;
  try {
    const date = { year, month, day: dayOfMonth };
    const day = Temporal.PlainDate.from(date, { overflow: "reject" }).toString() as Day;
    if (!isBookDay(day)) return fail("day.range", { text: trimmed });
    if (known.size < MOST_KNOWN) known.add(day);
    return ok(day);
  } catch {
    return fail("day.impossible", { text: trimmed, order });
  }
}

export type DayError = "day.empty" | "day.unreadable" | "day.impossible" | "day.range";

/** Earlier days first, for sorting. */
export const earlierFirst = (a: Day, b: Day): number => Number(a > b) - Number(a < b);

type YearMonthDay = [year: number, month: number, day: number];

function yearMonthDay(text: string, order: DayOrder): YearMonthDay | null {
  const iso =
    /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})(?:[T ].*)?$/.exec(text) ??
    /^(\d{4})(\d{2})(\d{2})$/.exec(text);
  if (iso) return iso.slice(1, 4).map(Number) as YearMonthDay;
  const written = /^(\d{1,2})[-/.](\d{1,2})[-/.](\d{4}|\d{2})(?:[T ,].*)?$/.exec(text);
  if (!written || order === "ymd") return null;
  const [first, second, said] = written.slice(1, 4).map(Number) as YearMonthDay;
  const year = written[3]?.length === 2 ? 2000 + said : said;
  return order === "mdy" ? [year, first, second] : [year, second, first];
}

/** The day `count` days later (earlier where negative). */
export function addDays(from: Day, count: number): Day {
  return dayOfNumber(dayNumber(from) + count);
}

/** Days from `from` to `to`; positive where `to` is later. */
export function daysBetween(from: Day, to: Day): number {
  return dayNumber(to) - dayNumber(from);
}

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

/** The last day of the month that `of` lies in. */
export function endOfMonth(of: Day): Day {
  const date = Temporal.PlainDate.from(of);
  return date.with({ day: date.daysInMonth }).toString() as Day;
}

/** Adds months, staying within the month at its end: 31 January + 1 = 28 February. */
export function addMonths(from: Day, count: number): Day {
  return Temporal.PlainDate.from(from).add({ months: count }).toString() as Day;
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
