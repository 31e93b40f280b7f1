import type { Day } from "@/core/calendar";
import { minor, sumOf, type Minor } from "@/core/money";

export type PromiseState = "open" | "kept" | "broken";
/**
 * A part of a promise: a day, and the sum that is to be there by it. A promise of one part may name
 * no sum: any payment keeps it.
 */
export type PromisedPart = { readonly dueOn: Day; readonly sum: Minor | null };
export type PromiseToday = {
  readonly state: PromiseState;
  /**
   * The first part that is not there yet: what reminders wait for, or what was missed; null where
   * all is kept.
   */
  readonly next: PromisedPart | null;
};

/**
 * How a promise to pay stands on a day. Its parts come one after the other: a
 * part is kept once all that was promised up to it came by its day, broken from
 * the day after. `paidUpTo` gives what came from the day of the promise to a
 * day. A promise is broken as soon as one part is, and kept when all are.
 * @example 100.00 by 1 May and 100.00 by 1 June, 100.00 paid on 28 April: open on 2 May, with
 * 100.00 by 1 June next
 */
export function promiseToday(
  parts: readonly PromisedPart[],
  paidUpTo: (day: Day) => number,
  today: Day,
): PromiseToday {
  const inOrder = [...parts].sort((a, b) => (a.dueOn < b.dueOn ? -1 : 1));
  for (const [at, part] of inOrder.entries()) {
    const paid = paidUpTo(part.dueOn < today ? part.dueOn : today);
    const needed =
      part.sum === null ? 1 : sumOf(inOrder.slice(0, at + 1), ({ sum }) => sum ?? minor(0));
    if (paid < needed) return { state: today > part.dueOn ? "broken" : "open", next: part };
  }
  return { state: "kept", next: null };
}
