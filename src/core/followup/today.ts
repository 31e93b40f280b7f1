import { addBankingDays, addDays, type Day, daysBetween, isBankingDay } from "@/core/calendar";
import { add, type Minor } from "@/core/money";

import { type LadderStep, lastStepTaken, nextStep, type NextStep } from "./ladder";
import { type Wait, type WaitFacts, waitsFor } from "./waits";
import { type FollowedItem, type ItemSums } from "./itemSums";

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

function stateOf(
  leftOut: string | null,
  waits: readonly Wait[],
  next: NextStep,
  today: Day,
): FollowUpState {
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
  return {
    on: addBankingDays(today, 0),
    step: call ? { ...next.step, act: "call", byItself: false } : next.step,
  };
}
