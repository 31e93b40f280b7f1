import type { MatchItem } from "../types";
import { allDigits, compact, coreOf, isMasked, lastDigits } from "./patterns";
import { PostingList } from "./postingList";

/** The numbers of a book by every way in which they are written: to the letter, by digits, with zeros, as orders. */
export abstract class BookNumbers {
  protected readonly whole = new PostingList();

  protected readonly core = new PostingList();

  protected readonly padded = new PostingList();

  protected readonly digits = new PostingList();

  protected readonly orders = new PostingList();

  /** How many of the book's numbers have a prefix, and how many digits. */
  protected readonly prefixes = new Map<string, number>();

  protected readonly lengths = new Map<number, number>();

  protected enter(item: MatchItem, by: 1 | -1): void {
    const move = (shelf: PostingList, key: string, matchItem: MatchItem): void =>
      by === 1 ? shelf.put(key, matchItem) : shelf.drop(key, matchItem);
    const letters = compact(item.number);
    move(this.whole, letters, item);
    const core = coreOf(item.number);
    // A young book's numbers have few digits but zeros: they count with their zeros.
    if (core.length >= 3) move(this.core, core, item);
    else move(this.padded, lastDigits(item.number), item);
    if (allDigits(item.number) !== core) move(this.digits, allDigits(item.number), item);
    if (item.poNumber !== null && compact(item.poNumber).length >= 3)
      move(this.orders, compact(item.poNumber), item);
    const prefix = /^[A-Z]+/.exec(letters)?.[0];
    if (prefix !== undefined) count(this.prefixes, prefix, by);
    count(this.lengths, letters.replace(/\D/g, "").length, by);
  }

  protected exact(word: string): readonly MatchItem[] | undefined {
    if (!/\d|O/.test(word)) return undefined;
    return (
      this.whole.get(compact(word)) ??
      (word.includes("O")
        ? this.whole.get(compact(word.replace(/O(?=[\dO/-]|$)/g, "0")))
        : undefined)
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
    if (written.length < 3) return undefined;
    const items =
      digits.length < 3
        ? this.padded.get(written)
        : (this.core.get(digits) ?? this.digits.get(digits));
    return items && this.prefixFits(word) ? { items, used: 1 } : undefined;
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

  /** `1041-1044` or `1041 to 1044`: all numbers between that one customer has. */
  protected range(word: string): (readonly MatchItem[])[] | undefined {
    const parts = /^(\D*)(\d{3,})-(\d{2,})$/.exec(word);
    if (!parts) return undefined;
    const [from = "", to = ""] = [parts[2], parts[3]];
    const end = to.length < from.length ? from.slice(0, from.length - to.length) + to : to;
    const [low, high] = [Number(from), Number(end)];
    const owner = this.core.get(String(low))?.[0]?.customerId;
    if (
      owner === undefined ||
      !this.core.get(String(high))?.some(({ customerId }) => customerId === owner) ||
      high <= low ||
      high - low > 40
    )
      return undefined;
    return Array.from({ length: high - low + 1 }, (_, at) =>
      (this.core.get(String(low + at)) ?? []).filter(({ customerId }) => customerId === owner),
    ).filter((items) => items.length > 0);
  }

  protected prefixFits(word: string): boolean {
    const prefix = /^[A-Z]+/.exec(word)?.[0];
    return (
      prefix === undefined ||
      this.prefixes.has(prefix) ||
      /^(INV|NR|NO|INVOICE|RE|RG|BILL|FACT?|RECHNUNG)$/.test(prefix)
    );
  }

  /** Whether a word is built like the book's numbers: their prefix, or as many digits. */
  protected looksOwn(word: string, digits: string): boolean {
    const prefix = /^[A-Z]+/.exec(word)?.[0];
    const length = word.replace(/\D/g, "").length;
    return (
      (prefix !== undefined && this.prefixes.has(prefix)) ||
      ((prefix === undefined || this.prefixes.size === 0) &&
        digits.length >= 4 &&
        (this.lengths.has(length) || this.lengths.has(length + 1)))
    );
  }

  /**
   * A sum, or a number of the book, that a line break cut in two is put together again; all places
   * stay but the break's.
   */
  protected unwrapped(text: string): string {
    const sums = text.replace(
      /\b(\d[\d,]*\.?\d?)[\r\n]+(\.?\d{1,4}(?:\.\d\d)?)(?![\d.])/g,
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

function count<K>(map: Map<K, number>, key: K, by: 1 | -1): void {
  const now = (map.get(key) ?? 0) + by;
  if (now <= 0) map.delete(key);
  else map.set(key, now);
}
