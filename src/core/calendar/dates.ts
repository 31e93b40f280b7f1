import { isBookDay } from "@/core/gate";
import { fail, ok, type Result } from "@/core/result";

import type { Day, DayOrder } from "./day";

/**
 * A Day of ISO text that is known to be right; throws RangeError on 2026-02-31. For input from
 * outside use parseDay.
 */
export function day(text: string): Day {
  const parts = /^(\d{4})-(\d{2})-(\d{2})$/.exec(text)?.slice(1).map(Number);
  if (!parts || !isInCalendar(parts as YearMonthDay)) throw new RangeError(`${text} is no day.`);
  return text as Day;
}

/** Whether there is such a day: 31 February is none. */
const isInCalendar = ([year, month, dayOfMonth]: YearMonthDay): boolean =>
  month >= 1 && month <= 12 && dayOfMonth >= 1 && dayOfMonth <= daysInMonth(year, month);

/** The machine's own calendar (Gregorian, without a zone): day 0 is the last of the month before. */
const daysInMonth = (year: number, month: number): number =>
  new Date(Date.UTC(year, month, 0)).getUTCDate();

const asDay = (year: number, month: number, dayOfMonth: number): Day =>
  [String(year).padStart(4, "0"), twoDigits(month), twoDigits(dayOfMonth)].join("-") as Day;

const twoDigits = (part: number): string => String(part).padStart(2, "0");

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
  if (!isInCalendar(parts)) return fail("day.impossible", { text: trimmed, order });
  const day = asDay(...parts);
  if (!isBookDay(day)) return fail("day.range", { text: trimmed });
  if (known.size < MOST_KNOWN) known.add(day);
  return ok(day);
}

export type DayError = "day.empty" | "day.unreadable" | "day.impossible" | "day.range";

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

const partsOf = (of: Day): YearMonthDay => of.split("-").map(Number) as YearMonthDay;

/** The last day of the month that `of` lies in. */
export function endOfMonth(of: Day): Day {
  const [year, month] = partsOf(of);
  return asDay(year, month, daysInMonth(year, month));
}

/** Adds months, staying within the month at its end: 31 January + 1 = 28 February. */
export function addMonths(from: Day, count: number): Day {
  const [fromYear, fromMonth, dayOfMonth] = partsOf(from);
  const months = fromYear * 12 + (fromMonth - 1) + count;
  const [year, month] = [Math.floor(months / 12), (((months % 12) + 12) % 12) + 1];
  return asDay(year, month, Math.min(dayOfMonth, daysInMonth(year, month)));
}
