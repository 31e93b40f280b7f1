import { addDays, type Day } from "@/core/calendar";

/**
 * From which day a sum may be taken that its customer has to know some days before: by what of its
 * invoices was told when. Null: it was not told yet. Regulation E, 12 CFR 1005.10(d)(1): ten days,
 * where a sum is not the one that was taken before (from memory; the book may ask for more of all).
 * @example mayTakeFrom(["2026-11-01", "2026-11-04"], 10) // 2026-11-14
 */
export function mayTakeFrom(told: readonly (Day | null)[], days: number): Day | null {
  let last = told[0] ?? null;
  for (const on of told) {
    if (on === null || last === null) return null;
    if (on > last) last = on;
  }
  return last === null ? null : addDays(last, days);
}
