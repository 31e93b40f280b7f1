import { type Day, dayOfNumber } from "@/core/calendar";
import { dayInZone } from "@/core/formats";
import { isBookDay } from "@/core/gate";

import type { WrittenDay } from "./writtenDay";
import { minutesAhead } from "./zoneNames";

/** The order of three numbers of a written date; `yy` is a year of two digits in front. */
export type PartOrder = "mdy" | "dmy" | "yy";

/** How days of a file are read where its cells leave it open. */
export type DayReading = {
  readonly order: PartOrder;
  /** Minutes that moments without a zone are ahead of UTC, or their zone by name; null: they are the book's own. */
  readonly assumedZone: number | string | null;
  /** Whether times are none, but days that were written with them. */
  readonly asDays: boolean;
  /** Whether a spreadsheet turned day and month around in the days that it kept as such. */
  readonly isTurned: boolean;
  /** Whether days that are plain numbers are counted from 1904, as some workbooks do. */
  readonly isFrom1904: boolean;
  readonly timeZone: string;
};

const MOST_KNOWN = 50_000;
const days = new Map<number, Day | null>();

/** A day of its three numbers; one that was made before is not made again. */
function iso([year, month, day]: readonly [number, number, number]): Day | null {
  const key = (year * 100 + month) * 100 + day;
  const before = days.get(key);
  if (before !== undefined) return before;
  const made = month > 99 || day > 99 ? null : newDay([year, month, day]);
  if (days.size < MOST_KNOWN) days.set(key, made);
  return made;
}

const newDay = ([year, month, day]: readonly [number, number, number]): Day | null => {
  const date = new Date(Date.UTC(year, month - 1, day));
  const right =
    date.getUTCFullYear() === year && date.getUTCMonth() === month - 1 && date.getUTCDate() === day;
  const text = right ? date.toISOString().slice(0, 10) : "";
  return right && isBookDay(text) ? (text as Day) : null;
};

type Parted = readonly [number, number, number];

const ordered = ([a, b, c]: Parted, order: PartOrder): Parted => {
  if (order === "mdy") return [c, a, b];
  return order === "dmy" ? [c, b, a] : [2000 + a, b, c % 100];
};

/** Spreadsheets count from 30 December 1899, so that 1 January 1970 is 25569. */
const SERIAL_OF_1970 = 25_569;
/** Or from 1 January 1904, which is so many days later (ECMA-376 part 1, 18.17.4.1). */
const FROM_1904 = 1462;

/** The day that a cell is under a reading; null where it is none, such as 31 February. */
export function dayUnder(written: WrittenDay, reading: DayReading): Day | null {
  if (written.epoch !== null) return dayInZone(new Date(written.epoch), reading.timeZone);
  if (written.serial !== null) {
    const since = reading.isFrom1904 ? SERIAL_OF_1970 - FROM_1904 : SERIAL_OF_1970;
    return dayOfNumber(written.serial - since);
  }
  const parts = partsUnder(written, reading);
  const day = parts && iso(parts);
  return day && (reading.asDays ? day : inZone(day, written, reading));
}

/** Year, month and day under an order; null where a year of four digits would be a day. */
function partsUnder(
  { fixed, open, yearLast }: WrittenDay,
  { order, isTurned }: DayReading,
): Parted | null {
  if (fixed) return isTurned && fixed[2] <= 12 ? [fixed[0], fixed[2], fixed[1]] : fixed;
  return open === null || (yearLast && order === "yy") ? null : ordered(open, order);
}

/** The day of a moment where the book is; a day without a time, or of no known zone, stays. */
function inZone(day: Day, { minutes, zone }: WrittenDay, reading: DayReading): Day {
  const of = zone ?? reading.assumedZone;
  if (minutes === null || of === null || of === reading.timeZone) return day;
  const ahead = typeof of === "number" ? of : minutesAhead(of, day, minutes);
  const moment = new Date(`${day}T00:00:00Z`).getTime() + (minutes - ahead) * 60_000;
  return dayInZone(new Date(moment), reading.timeZone);
}
