import { type Day, daysBetween } from "@/core/calendar";
import { add, minor, type Minor } from "@/core/money";

/** An open item as follow-up sees it; the balance in the book's currency, a credit note negative. */
export type FollowedItem = {
  readonly id: number;
  readonly dueOn: Day;
  readonly balance: Minor;
  /** Why no letter names it; null where one may. */
  readonly leftOut: string | null;
};

/**
 * What follow-up needs of a customer's open items, in sums: what is past its
 * date, of it what may be named, and what falls due within the days of a rung
 * before the due day. A large book is summed up by its database, so that
 * today's list needs no look at every item.
 */
export type ItemSums = {
  readonly late: Minor;
  readonly lateFirst: Day | null;
  readonly lateNamed: Minor;
  readonly lateNamedFirst: Day | null;
  readonly ahead: Minor;
  readonly aheadFirst: Day | null;
  /** Why the oldest of those left out is, where one is past its date. */
  readonly leftOut: string | null;
  readonly leftOutFirst: Day | null;
};

const NO_ITEMS: ItemSums = {
  late: minor(0),
  lateFirst: null,
  lateNamed: minor(0),
  lateNamedFirst: null,
  ahead: minor(0),
  aheadFirst: null,
  leftOut: null,
  leftOutFirst: null,
};

/** Sums up items one by one; `ahead`: how many days before the due day the first rung is, 0 where none is. */
export function sumsOf(items: readonly FollowedItem[], today: Day, ahead: number): ItemSums {
  return items.reduce((sums, item) => bothSums(sums, sumsOfOne(item, today, ahead)), NO_ITEMS);
}

function sumsOfOne({ dueOn, balance, leftOut }: FollowedItem, today: Day, ahead: number): ItemSums {
  if (balance <= 0) return NO_ITEMS;
  if (dueOn < today)
    return leftOut === null
      ? { ...NO_ITEMS, late: balance, lateFirst: dueOn, lateNamed: balance, lateNamedFirst: dueOn }
      : { ...NO_ITEMS, late: balance, lateFirst: dueOn, leftOut, leftOutFirst: dueOn };
  return leftOut === null && ahead > 0 && daysBetween(today, dueOn) <= ahead
    ? { ...NO_ITEMS, ahead: balance, aheadFirst: dueOn }
    : NO_ITEMS;
}

/** The sums of two lots of items together. */
export function bothSums(a: ItemSums, b: ItemSums): ItemSums {
  const earlier =
    a.leftOutFirst === null || (b.leftOutFirst !== null && b.leftOutFirst < a.leftOutFirst) ? b : a;
  return {
    late: add(a.late, b.late),
    lateFirst: first(a.lateFirst, b.lateFirst),
    lateNamed: add(a.lateNamed, b.lateNamed),
    lateNamedFirst: first(a.lateNamedFirst, b.lateNamedFirst),
    ahead: add(a.ahead, b.ahead),
    aheadFirst: first(a.aheadFirst, b.aheadFirst),
    leftOut: earlier.leftOut,
    leftOutFirst: earlier.leftOutFirst,
  };
}

const first = (a: Day | null, b: Day | null): Day | null =>
  a === null || (b !== null && b < a) ? b : a;
