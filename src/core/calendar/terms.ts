import { fail, ok, type Result } from "@/core/result";

import { addBankingDays, isBankingDay } from "./banking";
import { addMonths, endOfMonth } from "./dates";
import { addDays, daysBetween, type Day } from "./day";

/**
 * Payment terms in the trade's shorthand: `n/30` net 30 days; `2/10 n/30`
 * 2 % off within 10 days, else all in 30; `3/5 2/10 n/30` 3 % within 5 days, then 2 % within 10;
 * `n/0` due at once; `n/eom` end of
 * the month; `n/15th` the 15th of the next month; `eom/15` 15 days after the
 * end of the month; `day/10` the next 10th after the day of issue; `now` due at once. `banking day`
 * behind any of them (`n/30, banking day`) moves a day on which no bank works to the next.
 */
export type Terms = {
  readonly due:
    | { readonly by: "days"; readonly days: number }
    | { readonly by: "end-of-month"; readonly plus?: number }
    | { readonly by: "day-of-month"; readonly day: number }
    | { readonly by: "next-day"; readonly day: number };
  /** Whether a due day on which no bank works moves to the next on which they do. */
  readonly banking?: boolean;
  /** What is off for who pays early, the shortest time first. */
  readonly discounts: readonly EarlyDiscount[];
};

/** Percent as exact decimal text, and the days in which it may be taken. */
type EarlyDiscount = { readonly percent: string; readonly days: number };

export function parseTerms(text: string): Result<Terms, "terms.unreadable"> {
  const before = known.get(text);
  if (before) return before;
  const made = parseAnew(text);
  if (known.size < MOST_KNOWN) known.set(text, made);
  return made;
}

/** Terms that were read before: a book has few different ones, and many invoices. */
const known = new Map<string, Result<Terms, "terms.unreadable">>();
const MOST_KNOWN = 1000;

function parseAnew(text: string): Result<Terms, "terms.unreadable"> {
  const said = text.trim().toLowerCase();
  if (!said.endsWith(BANKING)) return parsePlain(text);
  const plain = said.slice(0, -BANKING.length).trimEnd();
  const read = parsePlain(plain.endsWith(",") ? plain.slice(0, -1) : plain);
  return read.ok ? ok({ ...read.value, banking: true }) : fail("terms.unreadable", { text: said });
}

const BANKING = "banking day";

function parsePlain(text: string): Result<Terms, "terms.unreadable"> {
  const trimmed = text.trim().toLowerCase();
  const { discounts, rest } = discountsIn(trimmed);
  // Two discounts for one time say nothing.
  if (new Set(discounts.map(({ days }) => days)).size < discounts.length)
    return fail("terms.unreadable", { text: text.trim() });
  const due = AT_ONCE.test(rest) ? ({ by: "days", days: 0 } as const) : monthly(rest);
  if (due) return ok({ due, discounts });
  const match = /^n(?:et)?\s*(?:\/\s*)?(\d+|eom|\d+(?:st|nd|rd|th))$/.exec(rest);
  if (!match) return fail("terms.unreadable", { text: text.trim() });
  const [, net = "0"] = match;
  if (net === "eom") return ok({ due: { by: "end-of-month" }, discounts });
  const dayOfMonth = /^(\d+)[a-z]+$/.exec(net);
  if (dayOfMonth) {
    const which = Number(dayOfMonth[1]);
    return which >= 1 && which <= 31
      ? ok({ due: { by: "day-of-month", day: which }, discounts })
      : fail("terms.unreadable", { text: text.trim() });
  }
  return ok({ due: { by: "days", days: Number(net) }, discounts });
}

const AT_ONCE = /^(?:now|due (?:at once|on receipt))$/;

/** The discounts that stand before the terms, and what is behind them. */
function discountsIn(text: string): { discounts: EarlyDiscount[]; rest: string } {
  const discounts: EarlyDiscount[] = [];
  let rest = text;
  while (discounts.length < MOST_DISCOUNTS) {
    const match = /^(\d+(?:\.\d+)?)\s*\/\s*(\d+)[\s,]+(?=\S)/.exec(rest);
    if (!match) break;
    const [all, percent = "0", days = "0"] = match;
    discounts.push({ percent, days: Number(days) });
    rest = rest.slice(all.length);
  }
  return { discounts: discounts.sort((a, b) => a.days - b.days), rest };
}

const MOST_DISCOUNTS = 5;

/** Days after the end of the month, or the next such day of a month. */
function monthly(text: string): Terms["due"] | null {
  const match = /^(eom|day)\s*\/\s*(\d{1,3})$/.exec(text);
  if (!match) return null;
  const number = Number(match[2]);
  if (match[1] === "eom") return { by: "end-of-month", plus: number };
  return number >= 1 && number <= 31 ? { by: "next-day", day: number } : null;
}

/** The day of a month, or its last where the month is shorter. */
function dayOfMonth(inMonth: Day, which: number): Day {
  const first = `${inMonth.slice(0, 8)}01` as Day;
  return addDays(first, Math.min(which, Number(endOfMonth(first).slice(8))) - 1);
}

/** The day an invoice of `issued` falls due. An invoice is overdue from the day after (common practice, no source). */
export function dueDay(issued: Day, terms: Terms): Day {
  const due = plainDueDay(issued, terms);
  return terms.banking === true && !isBankingDay(due) ? addBankingDays(due, 1) : due;
}

function plainDueDay(issued: Day, terms: Terms): Day {
  switch (terms.due.by) {
    case "days":
      return addDays(issued, terms.due.days);
    case "end-of-month":
      return addDays(endOfMonth(issued), terms.due.plus ?? 0);
    case "day-of-month":
      return dayOfMonth(monthAfter(issued), terms.due.day);
    case "next-day": {
      const here = dayOfMonth(issued, terms.due.day);
      return here > issued ? here : dayOfMonth(monthAfter(issued), terms.due.day);
    }
    default:
      throw terms.due satisfies never;
  }
}

const monthAfter = (on: Day): Day => addMonths(`${on.slice(0, 8)}01` as Day, 1);

/**
 * The discount that a customer who paid on `paid` may take, with `grace` days allowed by the book:
 * the first whose time has not passed. Where all have passed it is the last, out of time; null for
 * terms without one.
 */
export function discountOn(
  issued: Day,
  { discounts }: Terms,
  paid: Day,
  grace: number,
): { percent: string; inTime: boolean } | null {
  const passed = daysBetween(issued, paid) - grace;
  const current = discounts.find(({ days }) => passed <= days);
  const last = discounts.at(-1);
  if (current) return { percent: current.percent, inTime: true };
  return last ? { percent: last.percent, inTime: false } : null;
}
