import { type Day, isBankingDay, weekday } from "@/core/calendar";
import { sumOf } from "@/core/money";
import type { PracticeStore } from "@/db/practice";
import type { PracticeAdvice } from "@/db/practiceBank";

import { seedOf } from "./habits";

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

/** How a customer pays into the bank account: most by ACH, some by wire, some by a check to the lockbox. */
const WAYS_IN = ["ach", "ach", "ach", "ach", "ach", "lockbox", "lockbox", "wire"] as const;

type Credit = { name: string; amount: number; memo: string };
const inCapitals = (name: string): string => name.toUpperCase().replace(/[^A-Z0-9 &]/g, "");

/** An ACH credit for several invoices: the line has its trace, and the payer's bank sends advice of the rest. */
export function creditWithAdvice(
  store: PracticeStore,
  on: Day,
  { name, lines }: { name: string; lines: PracticeAdvice["lines"] },
): void {
  const trace = `0110000${String(seedOf("trace", name, on) % 100_000_000).padStart(8, "0")}`;
  const payer = inCapitals(name).slice(0, 16).trim();
  const amount = sumOf(lines, (line) => line.amount);
  store.addBankLine(on, `ACH CREDIT ${payer} TRN ${trace}`, amount);
  store.addAdvice(on, { trace, payer, lines });
}

/** Money that a customer sends, with what it wrote, as the bank's statement has it. */
export function creditFrom(store: PracticeStore, on: Day, { name, amount, memo }: Credit): void {
  const seed = seedOf("way in", name);
  const sender = inCapitals(name);
  store.addBankLine(on, `${lineFrom(sender, seed, on)} ${memo}`.trim(), amount);
}

/** A field takes 16 characters of a sender's name in ACH (Nacha), 35 in a wire (Fedwire). */
function lineFrom(sender: string, seed: number, on: Day): string {
  const way = WAYS_IN[seed % WAYS_IN.length];
  if (way === "wire") return `INCOMING WIRE ${sender.slice(0, 35).trim()}`;
  const days = Math.round(Date.parse(on) / 86_400_000);
  if (way === "lockbox") return `LOCKBOX CHECK ${1000 + ((seed + days) % 9000)} ${sender}`;
  return `ACH CREDIT ${sender.slice(0, 16).trim()}`;
}
