import { plainWords } from "@/core/formats";

/** Zones by the words that people use for them, to their names in the IANA time zone database. */
const NAMED: readonly (readonly [words: RegExp, name: string])[] = [
  [/\b(?:utc|gmt|coordinated universal|greenwich mean)\b/, "Etc/UTC"],
  [/\bcentral european\b/, "Europe/Berlin"],
  [/\beastern european\b/, "Europe/Athens"],
  [/\beastern\b|^et$/, "America/New_York"],
  [/\barizona\b/, "America/Phoenix"],
  [/\bcentral\b|^ct$/, "America/Chicago"],
  [/\bmountain\b|^mt$/, "America/Denver"],
  [/\bpacific\b|^pt$/, "America/Los_Angeles"],
  [/\balaska\b/, "America/Anchorage"],
  [/\bhawaii\b/, "Pacific/Honolulu"],
  [/\batlantic\b/, "America/Halifax"],
];
const IANA =
  /\b(?:Africa|America|Asia|Atlantic|Australia|Europe|Indian|Pacific|Etc|US|Canada)\/[A-Za-z_]{2,30}(?:\/[A-Za-z_]{2,30})?\b/;
const OFFSET = /(?:utc|gmt)\s?([+-])(\d{1,2})(?::?(\d\d))?/i;

/**
 * The zone that words name: as hours ahead of UTC (`+05:30`), or by its IANA name; null where they name none.
 * @example "Eastern Time (US & Canada)" // "America/New_York"
 */
export function zoneIn(words: string): string | null {
  const offset = OFFSET.exec(words);
  if (offset)
    return `${offset[1] ?? "+"}${(offset[2] ?? "").padStart(2, "0")}:${offset[3] ?? "00"}`;
  const iana = IANA.exec(words)?.[0];
  if (iana !== undefined) return isZone(iana) ? iana : null;
  const plain = plainWords(words);
  return NAMED.find(([named]) => named.test(plain))?.[1] ?? null;
}

function isZone(name: string): boolean {
  try {
    return new Intl.DateTimeFormat("en", { timeZone: name }).resolvedOptions().timeZone !== "";
  } catch {
    return false;
  }
}

const HOUR = 3_600_000;
const known = new Map<string, number>();

/** Minutes that a zone is ahead of UTC at a time of its own on a day: summer time counts. */
export function minutesAhead(zone: string, day: string, minutes: number): number {
  const fixed = /^([+-])(\d\d):(\d\d)$/.exec(zone);
  if (fixed) return (fixed[1] === "-" ? -1 : 1) * (Number(fixed[2]) * 60 + Number(fixed[3]));
  const key = `${zone} ${day} ${Math.floor(minutes / 60)}`;
  const before = known.get(key);
  if (before !== undefined) return before;
  const wall = Date.parse(`${day}T00:00:00Z`) + minutes * 60_000;
  // The zone's own time as if it were UTC is within a day of the moment; what holds there is tried at it.
  const first = aheadAt(zone, wall);
  const ahead = aheadAt(zone, wall - first * 60_000);
  known.set(key, ahead);
  return ahead;
}

const formats = new Map<string, Intl.DateTimeFormat>();

function aheadAt(zone: string, moment: number): number {
  const format =
    formats.get(zone) ??
    new Intl.DateTimeFormat("en-CA", {
      timeZone: zone,
      hourCycle: "h23",
      ...{ year: "numeric", month: "2-digit", day: "2-digit", hour: "2-digit", minute: "2-digit" },
    });
  formats.set(zone, format);
  const part = Object.fromEntries(
    format.formatToParts(moment).map(({ type, value }) => [type, Number(value)]),
  );
  const there = Date.UTC(
    part.year ?? 0,
    (part.month ?? 1) - 1,
    part.day ?? 1,
    part.hour ?? 0,
    part.minute ?? 0,
  );
  return Math.round((there - Math.floor(moment / 60_000) * 60_000) / (HOUR / 60));
}
