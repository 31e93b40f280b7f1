import { type Currency, minorDigits, mulDiv } from "@/core/money";
import type { Day } from "@/core/calendar";

import { decimalOf, decimalText, times } from "./decimal";
import type { LineInput } from "./line";
import type { Period } from "./schedule";

/**
 * A line as it is billed for a period: `{month}`, `{year}`, `{from}` and `{to}` in its words are the
 * period's. Where fewer days than the whole are billed, it is one of the share, rounded to the
 * currency once, and its words say the days.
 * @example a rent of 850.00 for 7 of 31 days // 1 x 191.94, "Rent (7 of 31 days)"
 */
export function lineOfPeriod<Line extends LineInput & { readonly description: string }>(
  line: Line,
  period: Period,
  { currency, prorated, language }: { currency: Currency; prorated: boolean; language: string },
): Line {
  const said = { ...line, description: inPeriod(line.description, period, language) };
  if (!prorated || period.days === period.of) return said;
  const [quantity, rate] = [decimalOf(line.quantity), decimalOf(line.rate)];
  if (!quantity.ok || !rate.ok) return said;
  const whole = times(quantity.value, rate.value);
  const part = mulDiv(
    period.days,
    whole.units * 10n ** BigInt(minorDigits(currency)),
    BigInt(period.of) * 10n ** BigInt(whole.places),
    "half-up",
  );
  return {
    ...said,
    quantity: "1",
    rate: decimalText({ units: BigInt(part), places: minorDigits(currency) }),
    description: `${said.description} (${period.days} of ${period.of} days)`,
  };
}

const PLACES = /\{(?:month|year|from|to)\}/gu;

/** Words with the period's own where they have a place for it, in a language (`en`, `de`). */
export function inPeriod(words: string, { from, to }: Period, language: string): string {
  const said: Readonly<Record<string, () => string>> = {
    "{month}": () => written(from, language, { month: "long", year: "numeric" }),
    "{year}": () => from.slice(0, 4),
    "{from}": () => written(from, language, { dateStyle: "medium" }),
    "{to}": () => written(to, language, { dateStyle: "medium" }),
  };
  return words.replaceAll(PLACES, (place) => said[place]?.() ?? place);
}

const written = (on: Day, language: string, parts: Intl.DateTimeFormatOptions): string =>
  new Intl.DateTimeFormat(language, { ...parts, timeZone: "UTC" }).format(new Date(on));
