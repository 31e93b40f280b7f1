import { addDays, isBankingDay, weekday, type Day } from "@/core/calendar";

/** When letters that may go by themselves go: weekdays (1 is Monday) and the hour of the book's own clock. */
export type LetterRunRule = { readonly weekdays: readonly number[]; readonly hour: number };

/** Whether the run goes on a day: its weekday, or the first banking day after one that is a weekend or a holiday. */
export function isRunDay(rule: LetterRunRule, on: Day): boolean {
  if (!isBankingDay(on)) return false;
  for (let day = on; ; day = addDays(day, -1)) {
    if (rule.weekdays.includes(weekday(day))) return true;
    if (isBankingDay(addDays(day, -1))) return false;
  }
}

/** The next day on which the run goes, from a day on (itself included); null for a rule without weekdays. */
export function nextRunDay(rule: LetterRunRule, from: Day): Day | null {
  for (let ahead = 0; ahead < 14; ahead += 1) {
    const day = addDays(from, ahead);
    if (isRunDay(rule, day)) return day;
  }
  return null;
}
