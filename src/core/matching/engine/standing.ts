import { earlierFirst } from "@/core/calendar";
import { minor, percentOf, ratioOf } from "@/core/money";

import { type MatchContext } from "../candidates/customerScope";
import { type Habit, type MatchingInput, type MatchItem } from "../types";

/** What a card pays on top of a sum; nothing where no percentage is agreed. */
export function surchargeBy(percent: string | null): MatchContext["surcharge"] {
  const ratio = percent === null ? null : ratioOf(percent);
  return (method, sum) =>
    method === "card" && ratio?.ok ? percentOf(sum, ratio.value, "half-even") : minor(0);
}

export function habitsOf(input: MatchingInput): ReadonlyMap<number, Habit> {
  return new Map((input.habits ?? []).map((habit) => [habit.customerId, habit]));
}

export const oldestFirst = (a: MatchItem, b: MatchItem): number =>
  earlierFirst(a.dueOn, b.dueOn) || a.id - b.id;
