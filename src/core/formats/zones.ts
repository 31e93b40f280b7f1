import type { Day } from "@/core/calendar";

const zones = new Map<string, Intl.DateTimeFormat>();

/**
 * The calendar day of a moment in a time zone (IANA name). Making a format is slow, so one is kept
 * for each zone.
 */
export function dayInZone(moment: Date, timeZone: string): Day {
  const format =
    zones.get(timeZone) ??
    new Intl.DateTimeFormat("en-CA", {
      timeZone,
      year: "numeric",
      month: "2-digit",
      day: "2-digit",
    });
  zones.set(timeZone, format);
  return format.format(moment) as Day;
}
