import type { MatchItem } from "../types";
import { BookNumbers } from "./bookNumbers";
import {
  type Found,
  type Memo,
  type MemoReading,
  type Mention,
  mentionIn,
  nearestBefore,
  NOTHING,
  type UnresolvedToken,
} from "./mention";
import { allDigits, blank, capitals, compact, coreOf, NOT_NUMBERS, SUM } from "./patterns";

/**
 * The book's own numbers, found in free text. How they are built (prefix,
 * length, where zeros stand) is learned from the numbers themselves.
 */
export class NumberIndex extends BookNumbers {
  private readonly known = new Map<string, Memo>();

  constructor(items: readonly MatchItem[]) {
    super();
    for (const item of items) this.enter(item, 1);
  }

  /** Numbers that are no longer open, and such as are now (again); memos are read anew after it. */
  change(gone: readonly MatchItem[], come: readonly MatchItem[]): void {
    for (const item of gone) this.enter(item, -1);
    for (const item of come) this.enter(item, 1);
    this.known.clear();
  }

  /** Reads a memo; kept by its text. */
  read(text: string): Memo {
    if (!/\d|O{2}/i.test(text)) return NOTHING;
    const known = this.known.get(text);
    if (known) return known;
    const made = this.readAnew(text);
    this.known.set(text, made);
    return made;
  }

  private readAnew(memo: string): Memo {
    const reading: MemoReading = { text: this.unwrapped(capitals(memo)), mentions: [] };
    let rest = reading.text;
    for (const pass of [
      this.references,
      this.ranges,
      this.wholeNumbers,
      this.split,
      this.orderWords,
    ])
      rest = pass.call(this, rest, reading);
    const sums = rest.match(SUM)?.length ?? 0;
    for (const mask of NOT_NUMBERS) rest = rest.replace(mask, (word) => ";".padEnd(word.length));
    rest = this.ordered(rest, reading, /\b[A-Z]{0,3}-?\d[\d-]*\b/g);
    rest = rest.replace(/(?<![\d] )\b\d(?: \d)+\b(?! \d)/g, (spaced) =>
      spaced.replaceAll(" ", "").padEnd(spaced.length),
    );
    const strays = this.words(rest, reading);
    const mentions = reading.mentions.sort((a, b) => a.at - b.at);
    return mentions.length === 0 && strays.length === 0 ? NOTHING : { mentions, strays, sums };
  }

  /** Notes a number that was found; the word is taken off the text, and its place stays. */
  private taken(reading: MemoReading, found: Omit<Found, "orders">): string {
    const orders = found.how === "order" ? [] : (this.order(found.word) ?? []);
    reading.mentions.push(mentionIn(reading.text, { ...found, orders }));
    return blank(found.word);
  }

  /** Creditor references; the end of one in groups of four is not marked: words behind are let go one by one. */
  private references(rest: string, reading: MemoReading): string {
    return rest.replace(
      /\bRF\d\d(?:[A-Z0-9]{3,21}|(?: [A-Z0-9]{1,4}){1,6})\b/g,
      (whole, at: number) => {
        for (let length = whole.length; length > 7; length = whole.lastIndexOf(" ", length - 1)) {
          const word = whole.slice(0, length);
          const items = this.creditorReference(word);
          if (items)
            return this.taken(reading, { word, at, how: "whole", items }) + whole.slice(length);
        }
        return whole;
      },
    );
  }

  private ranges(rest: string, reading: MemoReading): string {
    return rest.replace(
      /\b([A-Z]{0,5}-?\d{3,}) ?(?:-|–|TO|THRU|THROUGH|BIS) ?(?:[A-Z]{0,5}-?)(\d{2,})\b/g,
      (word, from: string, to: string, at: number) => {
        const found = this.exact(word) ? undefined : this.range(`${from}-${to}`);
        for (const items of found ?? [])
          reading.mentions.push(
            mentionIn(reading.text, { word, at, how: "digits", items, orders: [] }),
          );
        return found ? blank(word) : word;
      },
    );
  }

  /** Whole numbers wherever they stand; the words around them are then free to be dates, jobs or amounts. */
  private wholeNumbers(rest: string, reading: MemoReading): string {
    return rest.replace(
      /(?<![$€£.,\dA-Z])[A-Z0-9][A-Z0-9/-]*[A-Z0-9](?![.,]\d|[A-Z0-9])/g,
      (word, at: number) => {
        const items = this.exact(word);
        return items ? this.taken(reading, { word, at, how: "whole", items }) : word;
      },
    );
  }

  /** A prefix that stands apart from its number. */
  private split(rest: string, reading: MemoReading): string {
    return rest.replace(
      /\b([A-Z]{1,4})[ #]+(\d[\d/-]*)/g,
      (word, prefix: string, number: string, at: number) => {
        const items = this.whole.get(compact(prefix + number));
        return items ? this.taken(reading, { word, at, how: "whole", items }) : word;
      },
    );
  }

  private orderWords(rest: string, reading: MemoReading): string {
    const said = /\b(?:PO|P\.O\.|ORDER|BESTELLUNG)[ #:.]*[A-Z]{0,3}-?\d[\d-]*\b/g;
    return this.ordered(this.ordered(rest, reading, said), reading, /\b[A-Z]{1,5} ?-?\d[\d-]*\b/g);
  }

  private ordered(rest: string, reading: MemoReading, words: RegExp): string {
    return rest.replace(words, (word, at: number) => {
      const items = this.order(word);
      return items ? this.taken(reading, { word, at, how: "order", items }) : word;
    });
  }

  /**
   * The words that are left: by their digits, as tails of the number before, as ranges, joined to
   * the next; else strays.
   */
  private words(rest: string, { text: whole, mentions }: MemoReading): UnresolvedToken[] {
    const named = (word: string, at: number, items: readonly MatchItem[]): Mention =>
      mentionIn(whole, { word, at, how: "digits", items, orders: [] });
    const strays: UnresolvedToken[] = [];
    const words = [
      ...rest
        .replace(/(?<![A-Z\d])[\dO-]{0,40}\dO[\dO]{0,40}(?![A-Z\d])/g, (word) =>
          word.replaceAll("O", "0"),
        )
        .matchAll(/[A-Z]{0,6}[-#/]?\d[\dA-Z]*(?:[-/][\dA-Z]+)*/g),
    ].map((found) => ({ text: found[0], at: found.index, end: found.index + found[0].length }));
    for (let at = 0; at < words.length; at += 1) {
      const word = words[at];
      if (!word) continue;
      const next = words[at + 1];
      // What a tail lacks it shares with the number before it.
      const before = coreOf(nearestBefore(mentions, word.at)?.items[0]?.number ?? "");
      const last = word.end >= rest.trimEnd().length;
      const found = this.meaningOf(word.text, next?.text, before);
      if (!found) strays.push(...this.stray(word, before, last));
      else {
        const text = found.used === 2 && next ? rest.slice(word.at, next.end) : word.text;
        mentions.push(...found.lists.map((items) => named(text, word.at, items)));
        at += found.used - 1;
      }
    }
    return strays;
  }

  /** A word of at least two digits that nothing explains. */
  private stray(
    { text, at }: { text: string; at: number },
    before: string,
    last: boolean,
  ): UnresolvedToken[] {
    if (text.replace(/\D/g, "").length < 2) return [];
    const digits = allDigits(text);
    const ownStyle = before !== "" || this.looksOwn(text, digits);
    return [{ text, at, digits, last, after: before, ownStyle }];
  }
}
