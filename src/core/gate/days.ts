/**
 * The days that may enter a book. What lies outside is a mistake in a file or in typing, and would
 * be reckoned with for centuries.
 */
const FIRST_DAY = "1900-01-01";
const LAST_DAY = "2199-12-31";

/** Whether an ISO day may enter a book. @example isBookDay("0099-01-01") // false */
export const isBookDay = (day: string): boolean => day >= FIRST_DAY && day <= LAST_DAY;
