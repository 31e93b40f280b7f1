/** Serials of days begin so many days before 1 January 1970, by the two systems that workbooks count in. */
const FROM_1900 = 25_569;
const FROM_1904 = 24_107;
/** 29 February 1900, which is counted and never was. */
const LEAP_OF_1900 = 60;
/** 31 December 9999. */
const LAST = 2_958_466;
const MINUTES = 24 * 60;

/**
 * A serial of a day as `YYYY-MM-DD`, with `HH:MM` where it has a time; a time alone where it has no
 * day. Null where it is no serial of a day.
 * Source: ECMA-376, part 1, 18.17.4 (dates and times), from memory.
 */
export function dayText(serial: number, is1904: boolean): string | null {
  if (serial < 0 || serial >= LAST) return null;
  // To the second, as a float is never quite what was meant; a day never ends before its last minute has.
  const minutes = Math.floor(Math.round(serial * MINUTES * 60) / 60);
  const [day, minute] = [Math.floor(minutes / MINUTES), minutes % MINUTES];
  const time = `${two(Math.floor(minute / 60))}:${two(minute % 60)}`;
  if (day === 0 && !is1904) return time;
  const early = !is1904 && day < LEAP_OF_1900 ? 1 : 0;
  const since = day + early - (is1904 ? FROM_1904 : FROM_1900);
  const text = new Date(since * 86_400_000).toISOString().slice(0, 10);
  return minute === 0 ? text : `${text} ${time}`;
}

const two = (value: number): string => String(value).padStart(2, "0");

/** A day that stands as text (`2026-11-02T00:00:00`), in the same way; a zone stays with its time. */
export function isoText(text: string): string {
  const [day = "", time = ""] = text.split("T");
  const zone = /(?:Z|[+-]\d\d:\d\d)$/.exec(time)?.[0] ?? "";
  return time === "" || time.startsWith("00:00:00") ? day : `${day} ${time.slice(0, 5)}${zone}`;
}
