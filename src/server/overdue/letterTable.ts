import { type Day } from "@/core/calendar";
import { type Language, tableWords } from "@/core/followup";
import { add, type Currency, formatAmount, type Minor, negate, sumOf, ZERO } from "@/core/money";

import { type RowItem } from "./queries/overdueRow";

/** The table of each currency. */
export const tablesOf = (
  items: readonly RowItem[],
  owed: ReturnType<typeof owedBy>,
  language: Language,
): string =>
  owed
    .map((entry) => {
      const own = items.filter(({ currency }) => currency === entry.currency);
      return tableOf(own, entry, owed.length > 1, language);
    })
    .join("\n\n");

/** A day as the language writes it. */
export function dayIn(on: Day, language: Language): string {
  return new Intl.DateTimeFormat(language === "en" ? "en-US" : language, {
    weekday: "short",
    day: "numeric",
    month: "short",
    year: "numeric",
    timeZone: "UTC",
  }).format(new Date(`${on}T12:00:00Z`));
}

type Owed = { currency: Currency; credit: Minor; sum: Minor };

/**
 * What is asked for, currency by currency: what is overdue in it less what is to the customer's
 * credit in it.
 */
export function owedBy(
  items: readonly RowItem[],
  whole: Minor,
  creditIn: ReadonlyMap<Currency, Minor>,
  book: Currency,
): Owed[] {
  const currencies = [...new Set(items.map(({ currency }) => currency))];
  return currencies.map((currency) => {
    const own = creditIn.get(currency) ?? ZERO;
    // Credit in a currency in which nothing is owed is taken off the book's own.
    const credit = currencies.length === 1 && currency === book ? whole : own;
    return {
      currency,
      credit,
      sum: add(
        sumOf(
          items.filter((item) => item.currency === currency),
          (item) => item.balance,
        ),
        -credit,
      ),
    };
  });
}

function tableOf(
  items: readonly RowItem[],
  { currency, credit, sum }: Owed,
  several: boolean,
  language: Language,
): string {
  const words = tableWords(language);
  const amount = (value: number): string =>
    `${several ? `${currency} ` : ""}${formatAmount(value, currency)}`;
  const rows = items.map((item) => [
    item.number,
    `${words.due} ${dayIn(item.dueOn, language)}`,
    amount(item.balance),
  ]);
  if (credit !== 0) rows.push(["", words.credit, amount(negate(credit))]);
  rows.push(["", words.together, amount(sum)]);
  const width = (at: number): number => Math.max(...rows.map((row) => row[at]?.length ?? 0));
  return rows
    .map(
      ([number = "", says = "", value = ""]) =>
        `  ${number.padEnd(width(0))}  ${says.padEnd(width(1))}  ${value.padStart(width(2))}`,
    )
    .join("\n");
}
