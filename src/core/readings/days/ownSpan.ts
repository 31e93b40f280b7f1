import { addDays, type Day } from "@/core/calendar";
import type { Table } from "@/core/formats";

import { type DayReading, dayUnder } from "./dayUnder";
import { type WrittenDay, writtenDay } from "./writtenDay";

/** The first and the last day that a file says it is of. */
export type OwnSpan = { readonly from: Day; readonly to: Day };
/** The same before it is known what their numbers are. */
export type WrittenSpan = readonly [WrittenDay, WrittenDay];

const DAY =
  /\b(?:\d{4}-\d\d-\d\d|\d{1,2}[./-]\d{1,2}[./-](?:\d{4}|\d\d)|\d{1,2}\.? \p{L}{3,12}\.?,? \d{4}|\p{L}{3,12}\.? \d{1,2},? \d{4})\b/gu;
/** Moments that are written in another zone may be a day off. */
const TOLERANCE = 1;

/** What stands between the first and the last day of a span, in six languages. */
const TO = /^\s*(?:[-–—]|to|through|thru|until|bis|au|al?|hasta|tot|t\/m|até)\s*(?:the\s*)?$/i;

/** The days that a line of text names, as they are written. */
export const daysIn = (line: string): WrittenDay[] =>
  [...line.replace(/\s+/g, " ").matchAll(DAY)].flatMap(([text]) => writtenDay(text) ?? []);

/** The span that a line above the head of a list names: two days, and a word for "to" between them. */
export function spanAbove({ above = [] }: Table): WrittenSpan | null {
  for (const text of above) {
    // What a comma parted into cells has its blanks twice.
    const line = text.replace(/\s+/g, " ");
    const [first, second, ...more] = [...line.matchAll(DAY)];
    if (!first || !second || more.length > 0) continue;
    const between = line.slice(first.index + first[0].length, second.index);
    const [from, to] = [writtenDay(first[0]), writtenDay(second[0])];
    if (from && to && TO.test(between.replace(/[,;:|]/g, " "))) return [from, to];
  }
  return null;
}

/** What a written span is under a reading of days; null where it is none. */
export function spanUnder(span: WrittenSpan | null, reading: DayReading): OwnSpan | null {
  if (span === null) return null;
  const [from, to] = span.map((written) => dayUnder(written, reading));
  return from && to && from <= to ? { from, to } : null;
}

/** Whether a day is of a span, or beside it. */
export const isOutside = (day: Day, { from, to }: OwnSpan): boolean =>
  day < addDays(from, -TOLERANCE) || day > addDays(to, TOLERANCE);
