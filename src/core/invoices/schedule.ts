import {
  addDays,
  type Day,
  daysBetween,
  type Every,
  occurrence,
  occurrenceBefore,
} from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

/** When a schedule writes. `countedFrom` is where its periods are counted from, on or before its start. */
export type Plan = {
  readonly countedFrom: Day;
  readonly startsOn: Day;
  readonly every: Every;
  /** The last day that is billed; null for no end. */
  readonly until: Day | null;
  /** How many times at most; null for no limit. */
  readonly times: number | null;
  /** Days before its period begins that a document is written. */
  readonly ahead: number;
};

/** One period of a schedule: what is billed once. `of`: the days of the whole period; `days` of them are billed. */
export type Period = {
  readonly no: number;
  readonly from: Day;
  readonly to: Day;
  readonly days: number;
  readonly of: number;
  readonly writtenOn: Day;
};

/** A period that is past, and what it became: a document, or the words why nothing was billed. */
export type PastPeriod = {
  readonly no: number;
  readonly fromDay: Day;
  readonly toDay: Day;
  readonly leftOut: string | null;
  readonly documentId: number | null;
  readonly number: string | null;
  readonly stage: string | null;
  readonly total: Minor | null;
  readonly currency: Currency | null;
  readonly openItemId: number | null;
};

/** Periods that one run writes at most of one schedule: what was missed for longer is a mistake of its start. */
export const MOST_PERIODS = 600;

/**
 * The period with a number, from 0; null where the schedule has ended by then. The first may begin,
 * and the last end, within a whole period: then fewer days are billed than it has.
 */
export function periodOf(plan: Plan, no: number): Period | null {
  if (plan.times !== null && no >= plan.times) return null;
  const at = occurrenceBefore(plan.countedFrom, plan.every, plan.startsOn) + no;
  const begins = occurrence(plan.countedFrom, plan.every, at);
  const ends = addDays(occurrence(plan.countedFrom, plan.every, at + 1), -1);
  const from = begins < plan.startsOn ? plan.startsOn : begins;
  const to = plan.until !== null && plan.until < ends ? plan.until : ends;
  if (to < from) return null;
  const days = daysBetween(from, to) + 1;
  const of = daysBetween(begins, ends) + 1;
  return { no, from, to, days, of, writtenOn: addDays(from, -plan.ahead) };
}

/** The periods from a number on that are to be written up to a day, in their order. */
export function periodsDue(plan: Plan, no: number, today: Day): Period[] {
  const due: Period[] = [];
  for (let next = no; due.length < MOST_PERIODS; next += 1) {
    const period = periodOf(plan, next);
    if (period === null || period.writtenOn > today) break;
    due.push(period);
  }
  return due;
}

/** The next periods from a number on, at most so many. */
export function periodsAhead(plan: Plan, no: number, most: number): Period[] {
  const ahead: Period[] = [];
  for (let next = no; ahead.length < most; next += 1) {
    const period = periodOf(plan, next);
    if (period === null) break;
    ahead.push(period);
  }
  return ahead;
}
