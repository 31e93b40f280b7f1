const zones = new Map<string, Intl.DateTimeFormat>();

/** Making a format is slow, so one is kept for each zone. */
function formatOf(timeZone: string): Intl.DateTimeFormat {
  const known = zones.get(timeZone);
  if (known) return known;
  const made = new Intl.DateTimeFormat("en-CA", {
    timeZone,
    dateStyle: "short",
    timeStyle: "medium",
    hourCycle: "h23",
  });
  zones.set(timeZone, made);
  return made;
}

/**
 * A moment as it was on the clock of a zone (IANA name), to the second.
 * @param at UTC, as `2026-11-24T20:03:10.123Z`
 * @example momentInZone("2026-11-25T03:03:10.000Z", "America/Chicago") // "2026-11-24 21:03:10"
 */
export const momentInZone = (at: string, timeZone: string): string =>
  formatOf(timeZone).format(new Date(at)).replace(", ", " ");
