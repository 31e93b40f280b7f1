import { addDays, type Day, endOfMonth } from "@/core/calendar";

/** Days before its last on which a card is seen to run out. */
const SEEN_AHEAD = 60;

/**
 * The last day of a card (`2026-12`: the last of that month, as card schemes have it; common practice,
 * no source), where it is near or has passed; null where it is not.
 */
export function runsOutOn(expires: string | null, today: Day): Day | null {
  if (expires === null || !/^\d{4}-\d{2}$/.test(expires)) return null;
  const last = endOfMonth(`${expires}-01` as Day);
  return last <= addDays(today, SEEN_AHEAD) ? last : null;
}
