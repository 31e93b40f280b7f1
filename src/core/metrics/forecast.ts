import { addDays, type Day, daysBetween, weekday } from "@/core/calendar";
import { add, minor, type Minor } from "@/core/money";

/**
 * What is open, and how late its customer usually pays: the quarter, half and three quarters of its
 * payments were no later than that (days after due).
 */
export type ToCome = {
  readonly amount: Minor;
  readonly dueOn: Day;
  readonly habit: Lateness;
  /** The day it is promised for, where it is. */
  readonly promisedOn: Day | null;
};
export type Lateness = { readonly early: number; readonly middle: number; readonly late: number };
/** A week from its Monday: what should come by habit, and the likely range. */
export type Week = {
  readonly from: Day;
  readonly expected: Minor;
  readonly least: Minor;
  readonly most: Minor;
};

/**
 * A customer without payments to judge by is taken for one who pays as the whole book does; without
 * any, on the due day to two weeks late.
 */
export const UNKNOWN_HABIT: Lateness = { early: 0, middle: 5, late: 14 };

/**
 * The quarters of how late payments were. Null for none. @example latenessOf([-2, 0, 4, 10]) //
 * early 0, middle 4, late 10
 */
export function latenessOf(days: readonly number[]): Lateness | null {
  if (days.length === 0) return null;
  const sorted = [...days].sort((a, b) => a - b);
  const at = (share: number): number =>
    sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? 0;
  return { early: at(0.25), middle: at(0.5), late: at(0.75) };
}

export function mondayOf(on: Day): Day {
  return addDays(on, 1 - weekday(on));
}

/** In which week from today's (0) an item should come, by a quarter of its customer's habit. */
export function weekOf(item: ToCome, today: Day, quarter: keyof Lateness = "middle"): number {
  const usual = item.promisedOn ?? addDays(item.dueOn, item.habit[quarter]);
  // Late beyond its habit: as long again as its late quarter is from its middle, at least a week.
  const slip = slipOf(quarter, item);
  const on = usual < today ? addDays(today, slip) : usual;
  return Math.floor(daysBetween(mondayOf(today), on) / 7);
}

function slipOf(quarter: string, item: ToCome): number {
  if (quarter === "early") return 0;
  if (quarter === "middle") return 7;
  return Math.max(14, item.habit.late - item.habit.middle);
}

/**
 * Cash to expect by week: each item on its due day moved by its customer's
 * habit, or on the promised day; what should have come already is expected from
 * now on, by how much later than usual this customer has been before. The range
 * takes all by the early, or all by the late quarter of habits: cumulatively, so
 * that money that slips is not lost from the picture.
 */
export function cashByWeek(items: readonly ToCome[], today: Day, weeks: number): Week[] {
  const first = mondayOf(today);
  const sums = (quarter: keyof Lateness): number[] => {
    const all = Array.from({ length: weeks }, () => 0);
    for (const item of items) {
      const at = weekOf(item, today, quarter);
      if (at >= 0 && at < weeks) all[at] = (all[at] ?? 0) + item.amount;
    }
    return all;
  };
  const [early, middle, late] = [sums("early"), sums("middle"), sums("late")];
  let [most, expected, least] = [0, 0, 0];
  return middle.map((sum, at): Week => {
    const before = { most, expected, least };
    most += early[at] ?? 0;
    expected += sum;
    least += late[at] ?? 0;
    // A week's range is what the cumulative ranges leave for it.
    const low = Math.max(0, Math.min(least - before.expected, sum));
    return {
      from: addDays(first, at * 7),
      expected: add(sum),
      least: minor(Math.max(0, Math.min(low, sum))),
      most: minor(Math.max(sum, most - before.expected)),
    };
  });
}
