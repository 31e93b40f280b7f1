import { addBankingDays, addDays, type Day } from "@/core/calendar";
import { retryOf } from "@/core/receipts";

import { type DeclineCode, DECLINES } from "./processor";

/** Tries at most, the first included (common practice, no source). */
const MOST_TRIES = 4;
/** Days after each try until the next (common practice, no source). */
const WAITS = [3, 5, 7] as const;

/**
 * When a payment that was agreed to and declined is tried again: some days later, on a banking day;
 * null where the same card will not do, or it was tried often enough.
 * @example nextTry("51", 1, "2026-11-24") // 2026-11-27
 */
export function nextTry(code: DeclineCode, tries: number, on: Day): Day | null {
  const wait = WAITS[tries - 1];
  if (!DECLINES[code].again || tries >= MOST_TRIES || wait === undefined) return null;
  return addBankingDays(addDays(on, wait), 0);
}

/** Banking days from a debit's settlement until it is tried again (common practice, no source). */
const DEBIT_WAIT = 5;

/**
 * When a debit that was agreed to and came back is tried again: only for want of funds, at most
 * twice, within 180 days of its first settlement; null where it may not be.
 * @example nextDebit("R01", ["2026-11-02"]) // 2026-11-09
 */
export function nextDebit(code: string, settled: readonly Day[]): Day | null {
  const [first, last] = [settled[0], settled.at(-1)];
  if (first === undefined || last === undefined) return null;
  const next = addBankingDays(last, DEBIT_WAIT);
  return retryOf(code, settled.length - 1, first, next).may ? next : null;
}
