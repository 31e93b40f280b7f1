import { addMonths, type Day, endOfMonth } from "@/core/calendar";
import { type Minor, split } from "@/core/money";

/** What is earned over months: by how many, from which month on, and how many have had their part. */
type Earning = {
  /** The last day of the first month. */
  readonly firstOn: Day;
  readonly months: number;
  readonly released: number;
};

/** The last day of a month of it, from 1. @example earnedOn("2026-01-31", 2) // 2026-02-28 */
export const earnedOn = (firstOn: Day, monthNo: number): Day =>
  endOfMonth(addMonths(`${firstOn.slice(0, 8)}01` as Day, monthNo - 1));

/**
 * The months whose part is earned by a day and was not released: each with its number and last day.
 * A month has earned its part when it is over.
 */
export function monthsDue(
  { firstOn, months, released }: Earning,
  today: Day,
): { monthNo: number; on: Day }[] {
  const due: { monthNo: number; on: Day }[] = [];
  for (let monthNo = released + 1; monthNo <= months; monthNo += 1) {
    const on = earnedOn(firstOn, monthNo);
    if (on > today) break;
    due.push({ monthNo, on });
  }
  return due;
}

/**
 * The part of the next month, of what is left for so many months: equal parts, to the minor unit
 * exact over all of them. @example nextPart(10000, 3) // 3334, then 3333 of 6666 for two
 */
export function nextPart(left: Minor, monthsLeft: number): Minor {
  const [part] = split(
    left,
    Array.from({ length: monthsLeft }, () => 1),
  );
  if (part === undefined) throw new RangeError("there is no month left");
  return part;
}
