import { LARGEST_SUM } from "@/core/money";

/**
 * The largest total of an account: 9.0 × 10^15, below what a double holds exactly (2^53 − 1).
 * @see https://tc39.es/ecma262/#sec-number.max_safe_integer
 */
export const LARGEST_TOTAL = 9_000_000_000_000_000;

/** Whether a sum may enter a book. */
export const isBookSum = (sum: number): boolean => Math.abs(sum) <= LARGEST_SUM;
