import type { MatchItem } from "../types";
import {
  aroundOf,
  type Memo,
  type MemoReading,
  type Mention,
  mentionIn,
  nearestBefore,
  NOTHING,
  type UnresolvedToken,
} from "./mention";
import { Passes } from "./passes";
import { allDigits, capitals, coreOf, NOT_NUMBERS, SUM } from "./patterns";
import { digitsSeen } from "./shapes";

/**
 * The book's own numbers, found in free text. How they are built (prefix,
 * length, where zeros stand) is learned from the numbers themselves.
 */
export class NumberIndex extends Passes {
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
      this.lists,
      this.wholeNumbers,
      this.split,
      this.spacedOut,
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

  /**
   * The words that are left: by their digits, as tails of the number before, as ranges, joined to
   * the next; else strays.
   */
  private words(rest: string, { text: whole, mentions }: MemoReading): UnresolvedToken[] {
    const named = (word: string, at: number, items: readonly MatchItem[]): Mention =>
      mentionIn(whole, { word, at, how: "digits", items, orders: [] });
    const strays: UnresolvedToken[] = [];
    const words = this.wordsOf(rest);
    for (let at = 0; at < words.length; at += 1) {
      const word = words[at];
      if (!word) continue;
      const next = words[at + 1];
      // What a tail lacks it shares with the number before it.
      const before = coreOf(
        nearestBefore(mentions, word.at)?.items[0]?.number ?? strays[strays.length - 1]?.text ?? "",
      );
      const last = word.end >= rest.trimEnd().length;
      const found = this.meaningOf(word.text, next?.text, before);
      if (!found) strays.push(...this.stray(word, { before, last, whole }));
      else {
        const text = found.used === 2 && next ? rest.slice(word.at, next.end) : word.text;
        mentions.push(...found.lists.map((items) => named(text, word.at, items)));
        at += found.used - 1;
      }
    }
    return strays;
  }

  /** Words with digits; numbers with strokes between them that mean nothing together stand each for itself. */
  private wordsOf(rest: string): Word[] {
    const text = rest.replace(/(?<![A-Z\d])[\dO-]{0,40}\dO[\dO]{0,40}(?![A-Z\d])/g, (word) =>
      word.replaceAll("O", "0"),
    );
    return [...text.matchAll(/[A-Z]{0,6}[-#/]?\d[\dA-Z]*(?:[-/][\dA-Z]+)*/g)].flatMap((found) => {
      const word = { text: found[0], at: found.index, end: found.index + found[0].length };
      const isOne =
        this.meaningOf(word.text, undefined, "") !== undefined || this.looksOwn(word.text);
      if (isOne || !/\d\/\d/.test(word.text)) return [word];
      return [...word.text.matchAll(/[^/]+/g)]
        .filter((part) => /\d/.test(part[0]))
        .map((part) => ({
          text: part[0],
          at: word.at + part.index,
          end: word.at + part.index + part[0].length,
        }));
    });
  }

  /** A word of at least two digits that nothing explains. */
  private stray(
    { text, at }: Word,
    { before, last, whole }: { before: string; last: boolean; whole: string },
  ): UnresolvedToken[] {
    const written = text.replace(/\D/g, "");
    if (written.length < 2 || this.isStem(text)) return [];
    const tail = before !== "" && written.length <= before.length && !/^[A-Z]/.test(text);
    const { leftOut, stated } = aroundOf(whole, at, text);
    return [
      {
        text,
        at,
        digits: allDigits(text),
        last,
        after: before,
        ownStyle: tail || this.looksOwn(text) || this.looksOwn(digitsSeen(text)),
        leftOut,
        stated,
      },
    ];
  }
}

type Word = { readonly text: string; readonly at: number; readonly end: number };
