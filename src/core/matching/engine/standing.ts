import { earlierFirst } from "@/core/calendar";
import { minor, type Minor, percentOf, ratioOf } from "@/core/money";

import { type MatchContext } from "../candidates/customerScope";
import type { PayerIndex } from "../payers/payers";
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

/** What stands on account, by group. */
export function creditsOf(
  { credits = [] }: MatchingInput,
  payers: Pick<PayerIndex, "group">,
): ReadonlyMap<number, number> {
  const sums = new Map<number, number>();
  for (const { customerId, sum } of credits) {
    const group = payers.group(customerId);
    sums.set(group, (sums.get(group) ?? 0) + sum);
  }
  return sums;
}

/** Items with what is left of one of them; one that is paid is not among them. */
export function withBalance(
  list: readonly MatchItem[],
  whole: MatchItem,
  balance: Minor,
): readonly MatchItem[] {
  const others = list.filter(({ id }) => id !== whole.id);
  if (balance === 0) return others;
  const item: MatchItem = balance === whole.balance ? whole : { ...whole, balance, touched: true };
  return [...others, item].sort(oldestFirst);
}
