import type { MatchItem } from "../types";
import {
  allDigits,
  compact,
  coreOf,
  INVOICE_WORDS,
  lastDigits,
  lookalike,
  runsOf,
} from "./patterns";
import { PostingList } from "./postingList";

/** The numbers of a book by every way in which they are written: to the letter, by digits, with zeros, as orders. */
export abstract class Numbering {
  protected readonly whole = new PostingList();

  protected readonly core = new PostingList();

  protected readonly padded = new PostingList();

  protected readonly digits = new PostingList();

  protected readonly orders = new PostingList();

  protected readonly runs = new PostingList();

  protected readonly seen = new PostingList();

  /** How many of the book's numbers have a prefix, and how many digits. */
  protected readonly prefixes = new Map<string, number>();

  /** How many have a part in front of their last digits: a year, an office. */
  protected readonly stems = new Map<string, number>();

  /** How many have so many digits and begin with these two: where the book's numbering stands. */
  protected readonly heads = new Map<string, number>();

  protected enter(item: MatchItem, by: 1 | -1): void {
    const move = (shelf: PostingList, key: string, matchItem: MatchItem): void =>
      by === 1 ? shelf.put(key, matchItem) : shelf.drop(key, matchItem);
    const letters = compact(item.number);
    move(this.whole, letters, item);
    const core = coreOf(item.number);
    // A young book's numbers have few digits but zeros: they count with their zeros.
    if (core.length >= 3) move(this.core, core, item);
    else move(this.padded, lastDigits(item.number), item);
    if (allDigits(item.number) !== core) {
      move(this.digits, allDigits(item.number), item);
      move(this.runs, runsOf(item.number), item);
    }
    if (letters.length >= 5) move(this.seen, lookalike(letters), item);
    if (item.poNumber !== null && compact(item.poNumber).length >= 3)
      move(this.orders, compact(item.poNumber), item);
    const prefix = /^[A-Z]+/.exec(letters)?.[0];
    if (prefix !== undefined) count(this.prefixes, prefix, by);
    const stem = /^(.*[^A-Z0-9])[A-Z]*\d+[A-Z]?$/i.exec(item.number)?.[1];
    if (stem !== undefined) count(this.stems, compact(stem), by);
    count(this.heads, headOf(letters.replace(/\D/g, "")), by);
  }

  protected prefixFits(word: string): boolean {
    const prefix = /^[A-Z]+/.exec(word)?.[0];
    return prefix === undefined || this.prefixes.has(prefix) || INVOICE_WORDS.test(prefix);
  }

  /** Whether a word is built like the book's numbers: their prefix, or as many digits where its numbering stands. */
  protected looksOwn(word: string): boolean {
    const prefix = /^[A-Z]+/.exec(word)?.[0];
    if (prefix !== undefined && this.prefixes.has(prefix)) return true;
    const digits = word.replace(/\D/g, "");
    const free = prefix === undefined || INVOICE_WORDS.test(prefix);
    return (
      free &&
      digits.length >= 4 &&
      (this.heads.has(headOf(digits)) || this.heads.has(headOf(`${digits}0`)))
    );
  }

  /** The part that many numbers have in front says nothing by itself. */
  protected isStem(word: string): boolean {
    return (this.stems.get(compact(word)) ?? 0) >= MANY;
  }
}

const MANY = 3;

const headOf = (digits: string): string => `${digits.length} ${digits.slice(0, 2)}`;

function count<K>(map: Map<K, number>, key: K, by: 1 | -1): void {
  const now = (map.get(key) ?? 0) + by;
  if (now <= 0) map.delete(key);
  else map.set(key, now);
}
