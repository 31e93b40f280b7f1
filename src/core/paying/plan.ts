import { addBankingDays, addMonths, type Day } from "@/core/calendar";
import { minor, type Minor } from "@/core/money";

/** A part of what is paid by and by: its day, and its sum. */
export type PlanPart = { readonly dueOn: Day; readonly sum: Minor };

/**
 * A sum in equal parts, the first at once and the others month by month from that day, each on a
 * banking day; the first takes the odd cents. Fewer parts where there are not so many cents.
 * @example planOf(100_00, 3, "2026-11-24") // 33.34 on 24 November, 33.33 on 24 December and 25 January
 */
export function planOf(sum: Minor, count: number, from: Day): PlanPart[] {
  const parts = Math.max(1, Math.min(count, sum));
  const each = Math.floor(sum / parts);
  return Array.from({ length: parts }, (_, at) => ({
    dueOn: at === 0 ? from : addBankingDays(addMonths(from, at), 0),
    sum: minor(at === 0 ? sum - each * (parts - 1) : each),
  }));
}
