import { daysBetween } from "@/core/calendar";

import type { Candidate } from "./orderQuestion";

/** A list of which one order makes this many times as long as another is of the shorter. */
const MUCH_LONGER = 4;
/** Days between the first and the last of a list beside which its length says nothing. */
const SHORT = 3;

/**
 * The orders that are left, the likeliest first, as the first answer of a question is the one that is
 * taken by a key. Numbers between points are days first wherever points are written (common practice,
 * no source); and an export is of some days or weeks sooner than of one day in each month. `cells`: the
 * main column as it stands.
 */
export function likeliestFirst(
  left: readonly Candidate[],
  cells: () => readonly string[],
): readonly Candidate[] {
  if (left.length < 2) return left;
  const hasPoints = cells().some((cell) => /^\d{1,2}\.\d{1,2}\.(?:\d\d){1,2}\b/.test(cell.trim()));
  const weight = ({ order, columns }: Candidate): number => {
    if (hasPoints) return order === "dmy" ? 0 : 1;
    const shortest = Math.min(...left.map(lengthOf));
    return lengthOf({ order, columns }) > MUCH_LONGER * Math.max(shortest, SHORT) ? 1 : 0;
  };
  return [...left].sort((a, b) => weight(a) - weight(b));
}

/** Days from the first to the last of the main column. */
function lengthOf({ columns: [main = []] }: Candidate): number {
  const days = main.flatMap((day) => day ?? []).sort();
  const [first, last] = [days[0], days.at(-1)];
  return first === undefined || last === undefined ? 0 : daysBetween(first, last);
}
