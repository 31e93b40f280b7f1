import { Temporal } from "temporal-polyfill";

import { isBookDay } from "@/core/gate";
import { fail, ok, type Result } from "@/core/result";

import type { Day, DayOrder } from "./day";

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

/** The last day of the month that `of` lies in. */
export function endOfMonth(of: Day): Day {
  const date = Temporal.PlainDate.from(of);
  return date.with({ day: date.daysInMonth }).toString() as Day;
}

/** Adds months, staying within the month at its end: 31 January + 1 = 28 February. */
export function addMonths(from: Day, count: number): Day {
  return Temporal.PlainDate.from(from).add({ months: count }).toString() as Day;
}
