import { monthOf } from "./months";
import { inUsualForm } from "./otherForms";
import { zoneIn } from "./zoneNames";

/** A written date before it is known what its numbers are. */
export type WrittenDay = {
  /** Year, month and day where the cell says which is which. */
  readonly fixed: readonly [number, number, number] | null;
  /** Three numbers as they stand, where it does not. */
  readonly open: readonly [number, number, number] | null;
  /** Whether the last of the three is a year of four digits. */
  readonly yearLast: boolean;
  /** The moment where a number alone says it (seconds or milliseconds since 1970). */
  readonly epoch: number | null;
  /** Days since 1900 as spreadsheets count them. */
  readonly serial: number | null;
  /** Minutes into the day; null without a time. */
  readonly minutes: number | null;
  /** Minutes that the zone is ahead of UTC, or its name; null where the cell names none. */
  readonly zone: number | string | null;
};

const NOTHING: WrittenDay = {
  fixed: null,
  open: null,
  yearLast: false,
  epoch: null,
  serial: null,
  minutes: null,
  zone: null,
};

/** A date with its time has no more letters. */
const LONGEST = 60;

/** Abbreviations of zones in use in North America and Europe, in hours (IANA tz; common practice). */
const ZONES: Readonly<Record<string, number>> = {
  z: 0,
  utc: 0,
  gmt: 0,
  wet: 0,
  bst: 1,
  cet: 1,
  cest: 2,
  est: -5,
  edt: -4,
  cst: -6,
  cdt: -5,
  mst: -7,
  mdt: -6,
  pst: -8,
  pdt: -7,
  akst: -9,
  akdt: -8,
  hst: -10,
  ast: -4,
  adt: -3,
  eet: 2,
  eest: 3,
  msk: 3,
  sast: 2,
  sgt: 8,
  hkt: 8,
  awst: 8,
  jst: 9,
  kst: 9,
  aest: 10,
  aedt: 11,
  nzst: 12,
  nzdt: 13,
};
/** What stands behind a time and names no zone. */
const NO_ZONE: ReadonlySet<string> = new Set(["", "uhr", "hrs", "hr", "h"]);

const TIME =
  /(?:^|[T ,])(\d{1,2}):(\d\d)(?::(\d\d)(?:[.,]\d{1,9})?)?\s?(?:([ap])\.?(?:m\.?)?(?![a-z]))?\s?(z|[a-z]{2,4}|[+-]\d\d:?\d\d|[a-z]{2,9}\/[a-z_]{2,30}(?:\/[a-z_]{2,30})?)?(?:\s?\([^)]{0,30}\))?$/i;

/** Cells that were read before: a file has few different days. */
const known = new Map<string, WrittenDay | null>();
const MOST_KNOWN = 50_000;

/** What a cell says of a day; null where it is no date in any reading. */
export function writtenDay(cell: string): WrittenDay | null {
  const before = known.get(cell);
  if (before !== undefined) return before;
  const found = readDay(cell);
  if (known.size < MOST_KNOWN) known.set(cell, found);
  return found;
}

/** Whether a cell is a day with marks between its parts, and no number alone. */
export const isMarkedDay = (cell: string): boolean =>
  /\d[-/. ]/.test(cell) && writtenDay(cell) !== null;

function readDay(cell: string): WrittenDay | null {
  if (cell.length > LONGEST) return null;
  const text = inUsualForm(cell.trim());
  if (text === "") return null;
  const number = /^\d{4,13}(?:\.\d{1,12})?$/.test(text) ? asNumber(text) : null;
  if (number) return number;
  const time = TIME.exec(text);
  const read = time ? timeOf(time) : NO_TIME;
  // Of a zone that nobody knows the day is not known either.
  if (read === null) return null;
  const [minutes, zone] = read;
  const day = (time ? text.slice(0, time.index) : text).trimEnd().replace(/[T,]$/, "");
  const found = inNumbers(day) ?? inWords(day);
  return found && { ...NOTHING, ...found, minutes, zone };
}

const NO_TIME = [null, null] as const;

function timeOf(time: RegExpExecArray): readonly [number, number | string | null] | null {
  const half = time[4]?.toLowerCase();
  const hour = Number(time[1]) % (half ? 12 : 24);
  const minutes = (hour + (half === "p" ? 12 : 0)) * 60 + Number(time[2]);
  const written = time[5] ?? "";
  const zone = written.toLowerCase();
  if (NO_ZONE.has(zone)) return [minutes, null];
  const ahead = /^([+-])(\d\d):?(\d\d)$/.exec(zone);
  if (ahead)
    return [minutes, (ahead[1] === "-" ? -1 : 1) * (Number(ahead[2]) * 60 + Number(ahead[3]))];
  const hours = ZONES[zone];
  if (hours !== undefined) return [minutes, hours * 60];
  const name = zoneIn(written);
  return name === null ? null : [minutes, name];
}

/** A number alone: `20261102`, `021126`, a spreadsheet's day, seconds or milliseconds since 1970. */
function asNumber(text: string): WrittenDay | null {
  const value = Number(text);
  if (/^(?:19|20|21)\d{6}$/.test(text))
    return {
      ...NOTHING,
      fixed: [Number(text.slice(0, 4)), Number(text.slice(4, 6)), Number(text.slice(6))],
    };
  if (/^\d{6}$/.test(text)) return { ...NOTHING, ...inNumbers(text.replace(/(..)(?=.)/g, "$1-")) };
  if (/^\d{5}(?:\.|$)/.test(text)) return { ...NOTHING, serial: Math.floor(value) };
  if (/^1\d{9}(?:\.|$)/.test(text)) return { ...NOTHING, epoch: value * 1000 };
  return /^1\d{12}$/.test(text) ? { ...NOTHING, epoch: value } : null;
}

type Parts = Pick<WrittenDay, "fixed"> | Pick<WrittenDay, "open" | "yearLast">;

function inNumbers(text: string): Parts | null {
  const match = /^(\d{1,4})\s?[-/.]\s?(\d{1,2})\s?[-/.]\s?(\d{1,4})\.?$/.exec(text);
  if (!match) return null;
  const [a = "", b = "", c = ""] = match.slice(1);
  if (a.length === 4 && c.length <= 2) return { fixed: [Number(a), Number(b), Number(c)] };
  if (a.length > 2 || (c.length !== 2 && c.length !== 4)) return null;
  const yearLast = c.length === 4;
  return { open: [Number(a), Number(b), yearLast ? Number(c) : 2000 + Number(c)], yearLast };
}

/** `2 Nov 2026`, `Nov 2, 2026`, `Mon, 02-Nov-26`, `2 de noviembre de 2026`, `2026-Nov-02`. */
function inWords(text: string): Parts | null {
  const words = text.split(/[\s,./-]+/).filter((word) => word !== "");
  const months = words.flatMap((word, at) => {
    const month = monthOf(word);
    return month === null ? [] : [{ month, at }];
  });
  const numbers = words.flatMap((word, at) => {
    const number = /^(\d{1,4})(?:st|nd|rd|th)?$/i.exec(word)?.[1];
    return number === undefined ? [] : [{ text: number, at }];
  });
  const [found] = months;
  const [first, second] = numbers;
  if (!found || months.length > 1 || !first || !second || numbers.length > 2) return null;
  const yearFirst = first.text.length === 4;
  const [year, day] = yearFirst ? [first, second] : [second, first];
  if (year.text.length !== 4 && year.text.length !== 2) return null;
  const full = year.text.length === 4 ? Number(year.text) : 2000 + Number(year.text);
  return { fixed: [full, found.month, Number(day.text)] };
}
