import ical from "ical-generator";

import { addDays, type Day } from "@/core/calendar";
import { type Currency, formatAmount } from "@/core/money";
import { reachedBy } from "@/core/parties";

import type { OverdueRow } from "./overdueRow";

/** A day as the moment that a whole-day event of a calendar file begins at. */
const at = (on: Day): Date => new Date(`${on}T00:00:00Z`);
const ACTS = { letter: "Letter", call: "Call", task: "Task", stop: "Stop of supply" } as const;

/**
 * What is to be done by telephone or by hand, and the promises that are watched,
 * as a calendar file (RFC 5545): whole days, each with the same id whenever it
 * is made, so that a calendar that takes it in again doubles nothing.
 */
export function followUpCalendar(
  rows: readonly OverdueRow[],
  {
    book,
    business,
    currency,
    today,
  }: { book: string; business: string; currency: Currency; today: Day },
): string {
  const calendar = ical({
    name: `${business}: follow-up`,
    prodId: { company: "Dozo", product: "follow-up", language: "EN" },
  });
  const add = (id: string, on: Day, summary: string, description: string): void =>
    void calendar.createEvent({
      id: `${id}@${book}.dozo.invalid`,
      start: at(on),
      end: at(addDays(on, 1)),
      allDay: true,
      stamp: at(today),
      summary,
      description,
    });
  for (const row of rows) {
    const { customer, next, state } = row;
    const { phone, callee } = reachedBy(row.persons, customer);
    const owed = `${formatAmount(row.overdue, currency)} ${currency} overdue, the oldest ${row.oldestDays} days${phone ? `; ${phone}` : ""}${callee === "" ? "" : `, ${callee}`}`;
    if (next.step.act !== "letter" && (state === "ready" || state === "later"))
      add(
        `step-${customer.id}-${next.step.step}-${row.oldestDueOn}`,
        next.on < today ? today : next.on,
        `${ACTS[next.step.act]}: ${customer.name}`,
        owed,
      );
    if (row.lastWord?.kind === "promise" && row.lastWord.state === "open")
      add(
        `promise-${customer.id}-${row.lastWord.dueOn}`,
        row.lastWord.dueOn,
        `Promised: ${customer.name}${row.lastWord.sum === null ? "" : `, ${formatAmount(row.lastWord.sum, currency)}`}`,
        owed,
      );
  }
  return calendar.toString();
}
