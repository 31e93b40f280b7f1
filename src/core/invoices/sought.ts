import { type Day, readTypedDay } from "@/core/calendar";
import { minor, type Minor } from "@/core/money";

const SUM = /^-?(?:\d{1,3}(?:,\d{3}){1,4}|\d{1,12})\.\d\d$/;
/** A day in one way of reading only: as a standard writes it, or with its month in letters. */
const DAY = /^(?:\d{4}-\d\d-\d\d|(?:[a-z]{3} )?\d{1,2} [a-z]{3,9}(?: \d{4})?|[a-z]{3,9} \d{1,2})$/i;

/** What a list of invoices is looked through for: a sum to the cent, a day, or (null) words. */
export function soughtIn(text: string, today: Day): { sum: Minor } | { day: Day } | null {
  const typed = text.trim();
  if (SUM.test(typed)) return { sum: minor(Number(typed.replace(/[,.-]/g, ""))) };
  if (!DAY.test(typed)) return null;
  const day = readTypedDay(typed, today);
  return day.ok ? { day: day.value } : null;
}
