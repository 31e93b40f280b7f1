import { fail, ok, type Result } from "@/core/result";

import { addDays, addMonths, daysBetween, endOfMonth, type Day } from "./day";

/**
 * Payment terms in the trade's shorthand: `n/30` net 30 days; `2/10 n/30`
 * 2 % off within 10 days, else all in 30; `n/0` due at once; `n/eom` end of
 * the month; `n/15th` the 15th of the next month.
 */
export type Terms = {
  readonly due:
    | { readonly by: "days"; readonly days: number }
    | { readonly by: "end-of-month" }
    | { readonly by: "day-of-month"; readonly day: number };
  /** Percent as exact decimal text, and the days in which it may be taken. */
  readonly discount: { readonly percent: string; readonly days: number } | null;
};

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
  const trimmed = text.trim().toLowerCase();
  const match =
    /^(?:(\d+(?:\.\d+)?)\s*\/\s*(\d+)[\s,]+)?n(?:et)?\s*(?:\/\s*)?(\d+|eom|\d+(?:st|nd|rd|th))$/.exec(
      trimmed,
    );
  if (!match)
    return /^due (at once|on receipt)$/.test(trimmed)
      ? ok({ due: { by: "days", days: 0 }, discount: null })
      : fail("terms.unreadable", { text: text.trim() });
  const [, percent, within, net = "0"] = match;
  const discount =
    percent !== undefined && within !== undefined ? { percent, days: Number(within) } : null;
  if (net === "eom") return ok({ due: { by: "end-of-month" }, discount });
  const dayOfMonth = /^(\d+)[a-z]+$/.exec(net);
  if (dayOfMonth) {
    const which = Number(dayOfMonth[1]);
    return which >= 1 && which <= 31
      ? ok({ due: { by: "day-of-month", day: which }, discount })
      : fail("terms.unreadable", { text: text.trim() });
  }
  return ok({ due: { by: "days", days: Number(net) }, discount });
}

/** The day an invoice of `issued` falls due. An invoice is overdue from the day after (common practice, no source). */
export function dueDay(issued: Day, terms: Terms): Day {
  switch (terms.due.by) {
    case "days":
      return addDays(issued, terms.due.days);
    case "end-of-month":
      return endOfMonth(issued);
    case "day-of-month": {
      const next = addMonths(`${issued.slice(0, 8)}01` as Day, 1);
      const last = Number(endOfMonth(next).slice(8));
      return addDays(next, Math.min(terms.due.day, last) - 1);
    }
    default:
      throw terms.due satisfies never;
  }
}

/** Whether a customer who paid on `paid` may still take the discount, with `grace` days allowed by the book. */
export function discountInTime(issued: Day, terms: Terms, paid: Day, grace: number): boolean {
  return terms.discount !== null && daysBetween(issued, paid) <= terms.discount.days + grace;
}
