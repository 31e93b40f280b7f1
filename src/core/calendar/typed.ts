import { fail, ok, type Result } from "@/core/result";

import { type DayError, parseDay } from "./dates";
import { addDays, type Day, daysBetween, formatDay, MONTHS, weekday, WEEKDAYS } from "./day";

/** In which order day and month are typed where both are figures. */
export type TypedOrder = "mdy" | "dmy";
/**
 * The order in which a country writes day and month (Unicode CLDR, as the machine has it), by its
 * ISO 3166 code; the month first where it is not known.
 * @example typedOrderIn("DE") // "dmy"
 */
export function typedOrderIn(country: string): TypedOrder {
  if (!/^[A-Z]{2}$/.test(country)) return "mdy";
  const parts = new Intl.DateTimeFormat(`en-${country}`, { timeZone: "UTC" }).formatToParts(0);
  const place = (type: string): number => parts.findIndex((part) => part.type === type);
  return place("day") < place("month") ? "dmy" : "mdy";
}

type Typed = Result<Day, DayError>;

/** Days by their own name. */
const NAMED: Readonly<Record<string, number>> = { yesterday: -1, today: 0, tomorrow: 1 };

/**
 * A day as a clerk types it: as the page writes it (`Wed 11 Nov`, `11 Nov 2025`, `Nov 11`), in
 * figures (`11/11`, `11/11/26`, `2026-11-11`), from today on (`+3`, `-2`, `today`), or the next of
 * a weekday (`fri`; today is not its own next). Without a year it is the one nearest to today; of
 * two as near, the later. Errors: day.empty, day.unreadable, day.impossible (31 Nov).
 * @example readTypedDay("+3", day("2026-11-24")) // 2026-11-27
 */
export function readTypedDay(text: string, today: Day, order: TypedOrder = "mdy"): Typed {
  const typed = text.trim().toLowerCase();
  if (typed === "") return fail("day.empty");
  return (
    fromToday(typed, today) ??
    nextWeekday(typed, today) ??
    withMonthName(typed, today) ??
    inFigures(typed, today, order) ??
    parseDay(typed, order)
  );
}

function fromToday(typed: string, today: Day): Typed | null {
  const named = NAMED[typed];
  if (named !== undefined) return ok(addDays(today, named));
  return /^[+-] ?\d{1,4}$/.test(typed) ? ok(addDays(today, Number(typed.replace(" ", "")))) : null;
}

/** Where a word names an entry of a list by three letters or more; -1 where it does not. */
const indexOf = (names: readonly string[], word: string): number =>
  word.length < 3 ? -1 : names.findIndex((name) => word.startsWith(name.toLowerCase()));

const FULL_WEEKDAY = /^(?:mon|tue(?:s)?|wed(?:nes)?|thu(?:rs?)?|fri|sat(?:ur)?|sun)(?:day)?$/;

function nextWeekday(typed: string, today: Day): Typed | null {
  if (!FULL_WEEKDAY.test(typed)) return null;
  const wanted = indexOf(WEEKDAYS, typed) + 1;
  return ok(addDays(today, ((wanted - weekday(today) + 6) % 7) + 1));
}

/** `Wed 11 Nov`, `11 November 2025`, `Nov 11, 2025`; the weekday in front is not looked at. */
function withMonthName(typed: string, today: Day): Typed | null {
  const bare = typed.replace(/^[a-z]{3,9}\.?,? (?=[^\d\n]*\d[^a-z\n]*[a-z]|[a-z]+\.? \d)/, "");
  const found =
    /^(\d{1,2})\.? ([a-z]{3,9})\.?,?(?: (\d{4}))?$/.exec(bare) ??
    reordered(/^([a-z]{3,9})\.? (\d{1,2}),?(?: (\d{4}))?$/.exec(bare));
  if (!found) return null;
  const month = indexOf(MONTHS, found[2] ?? "") + 1;
  if (month === 0) return fail("day.unreadable", { text: typed });
  return nearest({ year: found[3], month, dayOfMonth: Number(found[1]) }, typed, today);
}

const reordered = (found: RegExpExecArray | null): (string | undefined)[] | null =>
  found && [found[0], found[2], found[1], found[3]];

/** `11/11` without a year. */
function inFigures(typed: string, today: Day, order: TypedOrder): Typed | null {
  const found = /^(\d{1,2})[-/.](\d{1,2})\.?$/.exec(typed);
  if (!found) return null;
  const [first, second] = [Number(found[1]), Number(found[2])];
  const [month, dayOfMonth] = order === "mdy" ? [first, second] : [second, first];
  return nearest({ year: undefined, month, dayOfMonth }, typed, today);
}

type Parts = { year: string | undefined; month: number; dayOfMonth: number };

/** The day of that name nearest to today, where no year is said. */
function nearest({ year, month, dayOfMonth }: Parts, text: string, today: Day): Typed {
  const now = Number(today.slice(0, 4));
  const years = year === undefined ? [now + 1, now, now - 1] : [Number(year)];
  const found = years
    .map((of) => parseDay(`${of}-${month}-${dayOfMonth}`, "ymd"))
    .flatMap((parsed) => (parsed.ok ? [parsed.value] : []));
  const distance = (of: Day): number => Math.abs(daysBetween(of, today));
  const [best] = found.sort((a, b) => distance(a) - distance(b));
  return best === undefined ? fail("day.impossible", { text }) : ok(best);
}

/** A day as a field shows it when nobody types: with its year where another one would be read. */
export function shownDay(of: Day | "", today: Day): string {
  if (of === "") return "";
  const short = formatDay(of);
  const read = readTypedDay(short, today);
  return read.ok && read.value === of ? short : `${short} ${of.slice(0, 4)}`;
}
