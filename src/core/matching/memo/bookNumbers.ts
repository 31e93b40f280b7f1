import type { MatchItem } from "../types";
import { Numbering } from "./numbering";
import {
  allDigits,
  compact,
  coreOf,
  INVOICE_WORDS,
  isMasked,
  lastDigits,
  lookalike,
  runsOf,
} from "./patterns";

/** What a word may mean among the numbers of a book. */
export abstract class BookNumbers extends Numbering {
  protected exact(word: string): readonly MatchItem[] | undefined {
    if (!/\d|O/.test(word)) return undefined;
    return (
      this.whole.get(compact(word)) ??
      (word.includes("O")
        ? this.whole.get(compact(word.replace(/O(?=[\dO/-]|$)/g, "0")))
        : undefined)
    );
  }

  /** A number behind a word for invoice that is glued to it, or with letters that look like its digits. */
  protected nearlyExact(word: string): readonly MatchItem[] | undefined {
    const letters = compact(word);
    if (letters.replace(/\D/g, "").length < 3) return undefined;
    const glued = /^([A-Z]{2,12})(?=\d)/.exec(letters)?.[1] ?? "";
    const bare = letters.slice(glued.length);
    return (
      (glued !== "" && INVOICE_WORDS.test(glued) && bare.length >= 4
        ? this.whole.get(bare)
        : undefined) ?? (letters.length >= 5 ? this.seen.get(lookalike(letters)) : undefined)
    );
  }

  /** A creditor reference (ISO 11649: RF, two check digits, mod 97 = 1) that carries an invoice number. */
  protected creditorReference(word: string): readonly MatchItem[] | undefined {
    const letters = compact(word);
    const body = letters.slice(4);
    const number = `${body}${letters.slice(0, 4)}`.replace(/[A-Z]/g, (letter) =>
      String(letter.charCodeAt(0) - 55),
    );
    if (body.length < 3 || BigInt(number) % 97n !== 1n) return undefined;
    return this.whole.get(body) ?? this.core.get(coreOf(body));
  }

  protected order(word: string): readonly MatchItem[] | undefined {
    const letters = compact(word);
    return (
      this.orders.get(letters) ??
      this.orders.get(letters.replace(/^(PO|ORDER|BESTELLUNG)/, "")) ??
      this.orders.get(`PO${letters}`)
    );
  }

  protected byDigits(word: string): { items: readonly MatchItem[]; used: number } | undefined {
    const [digits, written] = [allDigits(word), word.replace(/\D/g, "")];
    if (written.length < 3 || this.isStem(word)) return undefined;
    const items =
      digits.length < 3
        ? this.padded.get(written)
        : (this.core.get(digits) ?? this.digits.get(digits) ?? this.byRuns(word));
    return items && this.prefixFits(word) ? { items, used: 1 } : undefined;
  }

  /** A number of several parts, each without its zeros in front. */
  protected byRuns(word: string): readonly MatchItem[] | undefined {
    const runs = runsOf(word);
    const items = runs.includes("-") ? this.runs.get(runs) : undefined;
    return this.prefixFits(word) ? items : undefined;
  }

  /** A number that a line break cut in two. */
  protected joined(
    word: string,
    next: string | undefined,
  ): { items: readonly MatchItem[]; used: number } | undefined {
    if (next === undefined || word.length + next.length > 14) return undefined;
    const items =
      this.whole.get(compact(word + next)) ??
      (allDigits(word + next).length >= 5 ? this.core.get(allDigits(word + next)) : undefined);
    return items ? { items, used: 2 } : undefined;
  }

  /** `20431 and 433`: the second lacks what it shares with the first. */
  protected tail(before: string, word: string): readonly MatchItem[] | undefined {
    const digits = word.replace(/\D/g, "");
    if (digits.length < 2 || digits.length >= before.length) return undefined;
    return this.core.get(before.slice(0, before.length - digits.length) + digits);
  }

  /** A number that has all but its last digits in common with another. */
  protected sharing(first: string, digits: string): readonly MatchItem[] | undefined {
    const letters = compact(first);
    const own = lastDigits(letters);
    if (digits.length > own.length || !letters.endsWith(own)) return undefined;
    return this.whole.get(letters.slice(0, letters.length - digits.length) + digits);
  }

  /** `1041-1044` or `HQ/26/1041 to 1044`: all numbers between that one customer has. */
  protected between(first: string, last: string): (readonly MatchItem[])[] | undefined {
    const letters = compact(first);
    const from = lastDigits(letters);
    const stem = letters.slice(0, letters.length - from.length);
    const to = last.length < from.length ? from.slice(0, from.length - last.length) + last : last;
    const [low, high] = [Number(from), Number(to)];
    if (high <= low || high - low > 40 || to.length !== from.length) return undefined;
    const at = (number: number): readonly MatchItem[] =>
      (stem === ""
        ? undefined
        : this.whole.get(stem + String(number).padStart(from.length, "0"))) ??
      this.core.get(String(number)) ??
      [];
    const owner = at(low)[0]?.customerId;
    const own = (number: number): MatchItem[] =>
      at(number).filter(({ customerId }) => customerId === owner);
    if (owner === undefined || own(high).length === 0) return undefined;
    return Array.from({ length: high - low + 1 }, (_, more) => own(low + more)).filter(
      (items) => items.length > 0,
    );
  }

  /** A range without spaces. */
  protected range(word: string): (readonly MatchItem[])[] | undefined {
    const parts = /^(\D*\d{3,})-(\d{2,})$/.exec(word);
    return parts ? this.between(parts[1] ?? "", parts[2] ?? "") : undefined;
  }

  /**
   * A sum, or a number of the book, that a line break cut in two is put together again; all places
   * stay but the break's.
   */
  protected unwrapped(text: string): string {
    const sums = text.replace(
      /\b(\d[\d,]{0,20}\.?\d?)[\r\n]+(\.?\d{1,4}(?:\.\d\d)?)(?![\d.])/g,
      (both, left: string, right: string) =>
        /^\d[\d,]*\.\d\d$/.test(left + right) ? (left + right).padEnd(both.length) : both,
    );
    return sums.replace(
      /([A-Z0-9][A-Z0-9/-]{0,60})[\r\n]+([A-Z0-9][A-Z0-9/-]{0,60})/g,
      (both, left: string, right: string) =>
        (this.whole.get(compact(left)) && this.whole.get(compact(right))) ||
        !(this.exact(left + right) || isMasked(left + right))
          ? both
          : (left + right).padEnd(both.length),
    );
  }

  /** A range, a number by its digits or joined to the next word, or the tail of the number before. */
  protected meaningOf(
    word: string,
    next: string | undefined,
    before: string,
  ): { lists: readonly (readonly MatchItem[])[]; used: number } | undefined {
    const range = this.range(word);
    if (range) return { lists: range, used: 1 };
    const found = this.byDigits(word) ?? this.joined(word, next);
    if (found) return { lists: [found.items], used: found.used };
    const tail = this.tail(before, word);
    return tail && { lists: [tail], used: 1 };
  }
}
