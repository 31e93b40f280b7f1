import { addDays, type Day, daysBetween, isBankingDay } from "@/core/calendar";
import { add, minor, type Minor } from "@/core/money";

import { type LadderStep, lastStepTaken, nextStep, type NextStep } from "./ladder";
import { type Wait, type WaitFacts, waitsFor } from "./waits";

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

/** How many days before the due day a ladder begins; 0 where it begins after it. */
export function daysAhead(steps: readonly LadderStep[]): number {
  return Math.max(0, ...steps.map(({ fromDays }) => -fromDays));
}

/** Everything that what a customer gets today depends on. */
export type FollowUpFacts = Omit<WaitFacts, "overdue"> & {
  readonly sums: ItemSums;
  readonly steps: readonly LadderStep[];
  /** Letters, and calls and tasks that were a rung, with their days. */
  readonly said: readonly { readonly step: number; readonly on: Day }[];
  /** The day of the last letter; calls do not hold a letter back. */
  readonly lastLetterOn: Day | null;
  /** Nobody is written to twice within so many days. */
  readonly interval: number;
  readonly promiseBroken: boolean;
  /** Why the customer as a whole is left out. */
  readonly leftOut: string | null;
  /** Whether the customer's letters may go by themselves. */
  readonly byItself: boolean;
};
export type FollowUpState = "ready" | "waits" | "later" | "left_out";
export type FollowUpToday = {
  readonly state: FollowUpState;
  readonly next: NextStep;
  readonly waits: readonly Wait[];
  /** The sum of what today's step names (`namedItems`); what is left out is not in it. */
  readonly asked: Minor;
  /** All that is past its date, named or not. */
  readonly overdue: Minor;
  readonly oldestDueOn: Day;
  readonly oldestDays: number;
  /** The day from which another letter may go: the smallest interval after the last one. */
  readonly letterFrom: Day | null;
  /** Whether the step goes without a person: both it and the customer say so, and nothing waits. */
  readonly goesByItself: boolean;
  readonly leftOut: string | null;
};

/**
 * What a customer (with its sites) gets on a day: the rung and the sum that it
 * asks for, or what it waits for. Null where nothing is past its date and no
 * rung before the due day is reached. The page, the run and the tests use this
 * and nothing else.
 */
export function followUpToday(facts: FollowUpFacts): FollowUpToday | null {
  const { today, sums } = facts;
  const oldest = sums.lateNamedFirst ?? sums.aheadFirst ?? sums.lateFirst;
  if (oldest === null) return null;
  const letterFrom = facts.lastLetterOn && addDays(facts.lastLetterOn, facts.interval);
  const next = afterPromise(nextOnLadder(oldest, facts), facts, letterFrom);
  if (sums.lateFirst === null && next.on > today) return null;
  const asked = next.step.fromDays < 0 ? add(sums.lateNamed, sums.ahead) : sums.lateNamed;
  const waits = waitsFor({ ...NOTHING_KNOWN, ...facts, overdue: asked });
  const leftOut = facts.leftOut ?? (asked === 0 ? sums.leftOut : null);
  const state = stateOf(leftOut, waits, next, today);
  return {
    state,
    next,
    waits,
    asked,
    overdue: sums.late,
    oldestDueOn: oldest,
    oldestDays: daysBetween(oldest, today),
    letterFrom,
    goesByItself: state === "ready" && mayGoByItself(next.step, facts),
    leftOut,
  };
}

/** What need not be said of a customer. */
const NOTHING_KNOWN = { onWay: null, stale: null, quietUntil: null };

const nextOnLadder = (
  oldestDueOn: Day,
  { said, steps, lastLetterOn, interval }: FollowUpFacts,
): NextStep =>
  nextStep({
    oldestDueOn,
    lastStep: lastStepTaken(oldestDueOn, said, steps),
    lastWordOn: lastLetterOn,
    steps,
    interval,
  });

const mayGoByItself = (step: LadderStep, { byItself, today }: FollowUpFacts): boolean =>
  step.act === "letter" && step.byItself && byItself && isBankingDay(today);

function stateOf(leftOut: string | null, waits: Wait[], next: NextStep, today: Day) {
  if (leftOut !== null) return "left_out";
  if (waits.length > 0) return "waits";
  if (next.on > today) return "later";
  return "ready";
}

/**
 * The items that a step names: what is past its date, before the due day also what falls due within
 * its days; never what is left out.
 */
export function namedItems<Item extends FollowedItem>(
  items: readonly Item[],
  step: LadderStep,
  ahead: number,
  today: Day,
): Item[] {
  return items.filter(
    ({ balance, dueOn, leftOut }) =>
      balance > 0 &&
      leftOut === null &&
      (dueOn < today || (step.fromDays < 0 && daysBetween(today, dueOn) <= ahead)),
  );
}

/** A promise that was broken is taken up at once; where it is too soon for another letter, by a call. */
function afterPromise(
  next: NextStep,
  { promiseBroken, today }: FollowUpFacts,
  letterFrom: Day | null,
): NextStep {
  if (!promiseBroken || next.on <= today) return next;
  const call = next.step.act === "letter" && letterFrom !== null && letterFrom > today;
  return { on: today, step: call ? { ...next.step, act: "call", byItself: false } : next.step };
}
