import type { Day } from "@/core/calendar";

export type PromiseState = "open" | "kept" | "broken";

/**
 * How a promise to pay stands: kept once the promised sum came between the day
 * it was made and the day it was for; broken from the day after.
 */
export function promiseState(promise: { readonly dueOn: Day; readonly sum: number | null }, paidSince: number, today: Day): PromiseState {
  const enough = promise.sum === null ? paidSince > 0 : paidSince >= promise.sum;
  if (enough) return "kept";
  return today > promise.dueOn ? "broken" : "open";
}
