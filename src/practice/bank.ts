import { type Day, isBankingDay, weekday } from "@/core/calendar";
import type { PracticeStore } from "@/db/practice";

/** What stands on the account when the practice year begins. */
export const OPENING_BALANCE = 2_418_077;

/** The words of lines that are not of this job: they get a rule the first time they are seen. */
export const OTHER_LINES = ["PAYROLL", "RENT", "INTEREST", "SUPPLIER PAYMENT"];

/** What else a day brings on the statement: payroll, rent, interest, suppliers. Gives how many lines. */
export function otherLines(store: PracticeStore, on: Day): number {
  if (!isBankingDay(on)) return 0;
  const lines: [string, number][] = [];
  const days = Math.round(Date.parse(on) / 86_400_000);
  if (weekday(on) === 5 && Math.floor(days / 7) % 2 === 0)
    lines.push(["PAYROLL KESTREL ROW", -884_250]);
  if (on.endsWith("-02")) lines.push(["RENT ROW STREET WORKSHOP", -420_000]);
  if (on.endsWith("-28")) lines.push(["INTEREST PAID", 1_137]);
  if (weekday(on) === 3)
    lines.push(["SUPPLIER PAYMENT CLAYWORKS MINE", -(350_000 + (days % 97) * 1_113)]);
  for (const [words, sum] of lines) store.addBankLine(on, words, sum);
  return lines.length;
}

/** An ACH credit with what the sender wrote; a field takes 16 characters of its name, upper case (Nacha). */
export function creditFrom(
  store: PracticeStore,
  on: Day,
  { name, amount, memo }: { name: string; amount: number; memo: string },
): void {
  const sender = name
    .toUpperCase()
    .replace(/[^A-Z0-9 &]/g, "")
    .slice(0, 16)
    .trim();
  store.addBankLine(on, `ACH CREDIT ${sender} ${memo}`.trim(), amount);
}
