import { addBankingDays, addDays, type Day } from "@/core/calendar";
import { minor, type Minor } from "@/core/money";

import type { LateFeeRule } from "./lateFees";

/** What a rung does: a letter by mail, a call, a task, or supply stopped until the account is settled. */
export const LADDER_ACTS = ["letter", "call", "task", "stop"] as const;
export type LadderAct = (typeof LADDER_ACTS)[number];
/** What goes with a letter: nothing, the statement of account, or that and each invoice. */
export const ATTACHED = ["none", "statement", "invoices"] as const;
export type Attached = (typeof ATTACHED)[number];

/**
 * One rung: from so many days past the oldest due day (before it, negative). `byItself`: it may go
 * without a person, if the customer's says so too. `fee`: what is charged with its letter, in the
 * book's currency.
 */
export type LadderStep = {
  readonly step: number;
  readonly fromDays: number;
  readonly act: LadderAct;
  readonly tone: number;
  readonly byItself: boolean;
  readonly attach: Attached;
  readonly fee: Minor;
};
export type Ladder = {
  readonly id: number;
  readonly name: string;
  readonly standard: boolean;
  readonly steps: readonly LadderStep[];
  readonly fee: LateFeeRule;
};

/** First steps around 15, 30 and 45 days, the last with a call (common practice, no source). */
export const DEFAULT_STEPS: readonly LadderStep[] = [
  { step: 1, fromDays: 1, act: "letter", tone: 1, byItself: false, attach: "none", fee: minor(0) },
  {
    step: 2,
    fromDays: 15,
    act: "letter",
    tone: 2,
    byItself: false,
    attach: "statement",
    fee: minor(0),
  },
  {
    step: 3,
    fromDays: 30,
    act: "letter",
    tone: 3,
    byItself: false,
    attach: "statement",
    fee: minor(0),
  },
  { step: 4, fromDays: 45, act: "call", tone: 1, byItself: false, attach: "none", fee: minor(0) },
];

/**
 * Nobody is written to twice within this many days, unless the book says otherwise (common
 * practice, no source: reminders about twice a month).
 */
export const SMALLEST_INTERVAL_DAYS = 12;

export type NextStep = { readonly step: LadderStep; readonly on: Day };

type LadderStanding = {
  oldestDueOn: Day;
  lastStep: number;
  lastWordOn: Day | null;
  steps?: readonly LadderStep[];
  interval?: number;
};

/**
 * What is due to be said next, and from which day: the rung after the last one
 * taken, not before its days and not sooner than the smallest interval after
 * the last word; a day on which nobody works moves on to the next banking day.
 * After the last rung, that one is repeated. Throws RangeError
 * for a ladder without rungs.
 */
export function nextStep({
  oldestDueOn,
  lastStep,
  lastWordOn,
  steps = DEFAULT_STEPS,
  interval = SMALLEST_INTERVAL_DAYS,
}: LadderStanding): NextStep {
  const step = steps.find((step) => step.step > lastStep) ?? steps.at(-1);
  if (!step) throw new RangeError("a ladder has at least one step");
  const byAge = addDays(oldestDueOn, step.fromDays);
  const byInterval = lastWordOn === null ? byAge : addDays(lastWordOn, interval);
  return { step, on: addBankingDays(byAge > byInterval ? byAge : byInterval, 0) };
}

/**
 * The last rung that was taken in this round: 0 where what was said was about
 * something older that is settled by now.
 */
export function lastStepTaken(
  oldestDueOn: Day,
  said: readonly { readonly step: number; readonly on: Day }[],
  steps: readonly LadderStep[],
): number {
  const first = addDays(oldestDueOn, steps[0]?.fromDays ?? 1);
  return said.filter(({ on }) => on >= first).reduce((last, { step }) => Math.max(last, step), 0);
}
