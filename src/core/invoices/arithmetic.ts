import { fail, ok, type Result } from "@/core/result";

import { type Decimal, decimalOf, MOST_PLACES, nearest, times } from "./decimal";

/** Characters that are read of a sum typed into a number field. */
const LONGEST = 100;
type Problem = "decimal.unreadable" | "decimal.places";

/**
 * What a person types into a number field, with the four operations and parentheses; quotients are
 * rounded to six places, half away from zero.
 * @example calculate("24.25*5000") // 121250
 */
export function calculate(text: string): Result<Decimal, Problem> {
  const unreadable = fail("decimal.unreadable" as const, { text: text.slice(0, 40) });
  if (text.length > LONGEST) return unreadable;
  const tokens =
    text.replace(/\s/g, "").match(/\d{1,40}(?:\.\d{0,40})?|\.\d{1,40}|[-+*/()]|./g) ?? [];
  const reader = new Reader(tokens);
  const value = reader.sum();
  if (value === null || !reader.done()) return unreadable;
  return shortened(value, text);
}

/** To at most six places, as the fields keep them. */
function shortened(value: Decimal, text: string): Result<Decimal, Problem> {
  const rounded = toPlaces(value);
  const size = rounded.units < 0n ? -rounded.units : rounded.units;
  return size.toString().length > 18
    ? fail("decimal.places", { text: text.slice(0, 40), places: MOST_PLACES })
    : ok(rounded);
}

function toPlaces(value: Decimal): Decimal {
  if (value.places <= MOST_PLACES) return value;
  return {
    units: nearest(value.units, 10n ** BigInt(value.places - MOST_PLACES)),
    places: MOST_PLACES,
  };
}

/** Reads from left to right: sums of products of signed numbers and parentheses. Null: it is none. */
class Reader {
  private at = 0;

  constructor(private readonly tokens: readonly string[]) {}

  done(): boolean {
    return this.at === this.tokens.length;
  }

  sum(): Decimal | null {
    let all = this.product();
    while (all && (this.next("+") || this.next("-"))) {
      const minus = this.tokens[this.at - 1] === "-";
      const more = this.product();
      all = more && plus(all, minus ? negative(more) : more);
    }
    return all;
  }

  private product(): Decimal | null {
    let all = this.signed();
    while (all && (this.next("*") || this.next("/"))) {
      const divides = this.tokens[this.at - 1] === "/";
      const more = this.signed();
      if (!more || (divides && more.units === 0n)) return null;
      all = divides ? over(all, more) : toPlaces(times(all, more));
    }
    return all;
  }

  private signed(): Decimal | null {
    if (this.next("+")) return this.signed();
    if (this.next("-")) {
      const value = this.signed();
      return value && negative(value);
    }
    return this.next("(") ? this.within() : this.number();
  }

  private within(): Decimal | null {
    const value = this.sum();
    return value && this.next(")") ? value : null;
  }

  private number(): Decimal | null {
    const read = decimalOf(this.tokens[this.at] ?? "");
    this.at += 1;
    return read.ok ? read.value : null;
  }

  private next(token: string): boolean {
    if (this.tokens[this.at] !== token) return false;
    this.at += 1;
    return true;
  }
}

const negative = ({ units, places }: Decimal): Decimal => ({ units: -units, places });

function plus(a: Decimal, b: Decimal): Decimal {
  const places = Math.max(a.places, b.places);
  const at = ({ units, places: own }: Decimal): bigint => units * 10n ** BigInt(places - own);
  return { units: at(a) + at(b), places };
}

function over(a: Decimal, b: Decimal): Decimal {
  const top = a.units * 10n ** BigInt(b.places + MOST_PLACES);
  return { units: nearest(top, b.units * 10n ** BigInt(a.places)), places: MOST_PLACES };
}
