import { addDays, daysBetween, isBankingDay, type Day } from "@/core/calendar";
import { minor, sumOf, type Minor } from "@/core/money";

import { lastStepTaken, nextStep, type LadderStep, type NextStep } from "./ladder";
import { waitsFor, type Wait, type WaitFacts } from "./waits";

/** An open item as follow-up sees it; the balance in the book's currency, a credit note negative. */
export type FollowedItem = { readonly id: number; readonly dueOn: Day; readonly balance: Minor; /** Why no letter names it; null where one may. */ readonly leftOut: string | null };
/** Everything that what a customer gets today depends on. */
export type FollowUpFacts = Omit<WaitFacts, "overdue"> & {
  readonly items: readonly FollowedItem[];
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
  readonly state: FollowUpState; readonly next: NextStep; readonly waits: readonly Wait[];
  /** Items that today's step names, and their sum; those left out are not among them. */
  readonly named: readonly number[]; readonly asked: Minor;
  /** All that is past its date, named or not. */
  readonly overdue: Minor; readonly oldestDueOn: Day; readonly oldestDays: number;
  /** The day from which another letter may go: the smallest interval after the last one. */
  readonly letterFrom: Day | null;
  /** Whether the step goes without a person: both it and the customer say so, and nothing waits. */
  readonly goesByItself: boolean; readonly leftOut: string | null;
};

/**
 * What a customer (with its sites) gets on a day: the rung, the items it names
 * and their sum, or what it waits for. Null where nothing is past its date and
 * no rung before the due day is reached. The page, the run and the tests use
 * this and nothing else.
 */
export function followUpToday(facts: FollowUpFacts): FollowUpToday | null {
  const { today, items, steps } = facts;
  const open = items.filter(({ balance }) => balance > 0);
  const late = open.filter(({ dueOn }) => dueOn < today);
  // A rung before the due day looks at what falls due within its days.
  const ahead = Math.max(0, ...steps.map(({ fromDays }) => -fromDays));
  const near = ahead === 0 ? late : open.filter(({ dueOn }) => dueOn < today || daysBetween(today, dueOn) <= ahead);
  const seen = near.filter(({ leftOut }) => leftOut === null);
  const [first] = [...(seen.length > 0 ? seen : late)].sort((a, b) => (a.dueOn < b.dueOn ? -1 : 1));
  if (!first) return null;
  const letterFrom = facts.lastLetterOn === null ? null : addDays(facts.lastLetterOn, facts.interval);
  const next = afterPromise(nextStep(first.dueOn, lastStepTaken(first.dueOn, facts.said, steps), facts.lastLetterOn, steps, facts.interval), facts, letterFrom);
  if (late.length === 0 && next.on > today) return null;
  const named = seen.filter(({ dueOn }) => dueOn < today || next.step.fromDays < 0);
  const overdue = sumOf(late, ({ balance }) => balance);
  const asked = sumOf(named, ({ balance }) => balance);
  const waits = waitsFor({ ...facts, overdue: asked });
  const leftOut = facts.leftOut ?? (named.length === 0 ? (late.find((item) => item.leftOut !== null)?.leftOut ?? null) : null);
  const state = leftOut !== null ? "left_out" : waits.length > 0 ? "waits" : next.on > today ? "later" : "ready";
  const goesByItself = state === "ready" && next.step.act === "letter" && next.step.byItself && facts.byItself && isBankingDay(today);
  return { state, next, waits, named: named.map(({ id }) => id), asked: minor(asked), overdue, oldestDueOn: first.dueOn, oldestDays: daysBetween(first.dueOn, today), letterFrom, goesByItself, leftOut };
}

/** A promise that was broken is taken up at once; where it is too soon for another letter, by a call. */
function afterPromise(next: NextStep, { promiseBroken, today }: FollowUpFacts, letterFrom: Day | null): NextStep {
  if (!promiseBroken || next.on <= today) return next;
  const call = next.step.act === "letter" && letterFrom !== null && letterFrom > today;
  return { on: today, step: call ? { ...next.step, act: "call", byItself: false } : next.step };
}
