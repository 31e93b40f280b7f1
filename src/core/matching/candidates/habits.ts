import { daysBetween } from "@/core/calendar";

import type { ReferenceQuality } from "../memo/scope";
import type { Habit, MatchReceipt, Reason } from "../types";
import type { Part } from "./sums";

/**
 * Where nothing but the sum speaks: whether the customer is known to pay one item at a time, or
 * several, and so long after the due day.
 */
export function habitReasons(
  habit: Habit | undefined,
  receipt: MatchReceipt,
  { lines, numbers }: { readonly lines: readonly Part[]; readonly numbers: ReferenceQuality },
): Extract<Reason, { code: "habit" | "usual_day" }>[] {
  if (
    numbers !== "none" ||
    lines.length === 0 ||
    habit === undefined ||
    habit.receipts < HABIT_FROM
  )
    return [];
  const found: Extract<Reason, { code: "habit" | "usual_day" }>[] = [];
  const share = habit.several / habit.receipts;
  if (lines.length > 1 && share >= 0.75) found.push({ code: "habit", how: "several" });
  if (lines.length === 1 && share <= 0.25) found.push({ code: "habit", how: "single" });
  const { late } = habit;
  if (
    late !== null &&
    late !== undefined &&
    lines.every(
      ({ item }) => Math.abs(daysBetween(item.dueOn, receipt.paidOn) - late) <= USUAL_WITHIN_DAYS,
    )
  )
    found.push({ code: "usual_day", late });
  return found;
}

/** Receipts from which on a habit counts. */
const HABIT_FROM = 4;
const USUAL_WITHIN_DAYS = 3;
