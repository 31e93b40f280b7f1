import { BookNumbers } from "./bookNumbers";
import { type Found, type MemoReading, mentionIn } from "./mention";
import { blank, compact, coreOf } from "./patterns";
import { GROUPS, LIST, PART, RANGE } from "./shapes";

/** The passes in which a memo's numbers are found, the surest first; what is found is taken off the text. */
export abstract class Passes extends BookNumbers {
  /** Notes a number that was found; the word is taken off the text, and its place stays. */
  protected taken(reading: MemoReading, found: Omit<Found, "orders">): string {
    const orders = found.how === "order" ? [] : (this.order(found.word) ?? []);
    reading.mentions.push(mentionIn(reading.text, { ...found, orders }));
    return blank(found.word);
  }

  /** Creditor references; the end of one in groups of four is not marked: words behind are let go one by one. */
  protected references(rest: string, reading: MemoReading): string {
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

  protected ranges(rest: string, reading: MemoReading): string {
    return rest.replace(RANGE, (word: string, from: string, to: string, at: number) => {
      const found = this.exact(word) ? undefined : this.between(from, to);
      for (const items of found ?? [])
        reading.mentions.push(
          mentionIn(reading.text, { word, at, how: "digits", items, orders: [] }),
        );
      return found ? blank(word) : word;
    });
  }

  /** `SI-106201,02,03` and `113130/147`: what the later ones lack they share with the first. */
  protected lists(rest: string, reading: MemoReading): string {
    return rest.replace(LIST, (whole: string, first: string, more: string, at: number) => {
      const head = this.exact(first) ?? this.byDigits(first)?.items;
      const found = [...more.matchAll(PART)].map((part) => ({
        word: part[0],
        at: at + first.length + part.index,
        items:
          this.exact(part[0]) ?? this.sharing(first, part[0]) ?? this.tail(coreOf(first), part[0]),
      }));
      if (head === undefined || found.some(({ items }) => items === undefined)) return whole;
      this.taken(reading, { word: first, at, how: "whole", items: head });
      for (const { word, at: place, items } of found)
        this.taken(reading, { word, at: place, how: "digits", items: items ?? [] });
      return blank(whole);
    });
  }

  /** Whole numbers wherever they stand; the words around them are then free to be dates, jobs or amounts. */
  protected wholeNumbers(rest: string, reading: MemoReading): string {
    const taken = (word: string, at: number): string => {
      const items = this.exact(word) ?? this.nearlyExact(word);
      if (items) return this.taken(reading, { word, at, how: "whole", items });
      if (!word.includes("/")) return word;
      return word.replace(/[A-Z0-9-]{3,}/g, (part, place: number) => {
        const named = this.exact(part);
        return named
          ? this.taken(reading, { word: part, at: at + place, how: "whole", items: named })
          : part;
      });
    };
    return rest
      .replace(
        /(?<![$€£.,\dA-Z])[A-Z0-9][A-Z0-9/-]*[A-Z0-9](?![.,]\d\d?(?![\d-])|[A-Z0-9])/g,
        taken,
      )
      .replace(
        /(?<![$€£.,\dA-Z])[A-Z0-9]{1,8}(?:[._][A-Z0-9]{2,12}){1,3}(?![.,]\d|[A-Z0-9])/g,
        (word, at: number) => (/[.,]\d\d$/.test(word) ? word : taken(word, at)),
      );
  }

  /** A prefix that stands apart from its number. */
  protected split(rest: string, reading: MemoReading): string {
    return rest.replace(
      /\b([A-Z]{1,4})[ #]+(\d[\d/-]*)/g,
      (word, prefix: string, number: string, at: number) => {
        const items = this.whole.get(compact(prefix + number));
        return items ? this.taken(reading, { word, at, how: "whole", items }) : word;
      },
    );
  }

  /** A number in groups, as people write what they read aloud: `10 90 55`, `2026 - 7933`. */
  protected spacedOut(rest: string, reading: MemoReading): string {
    return rest.replace(GROUPS, (word, at: number) => {
      if (word.replace(/\D/g, "").length < 5) return word;
      const runs = word.trim().replace(/[^A-Z0-9]+/g, "-");
      const items = this.exact(word) ?? this.byRuns(runs);
      return items ? this.taken(reading, { word, at, how: "whole", items }) : word;
    });
  }

  protected orderWords(rest: string, reading: MemoReading): string {
    const said = /\b(?:PO|P\.O\.|ORDER|BESTELLUNG)[ #:.]*[A-Z]{0,3}-?\d[\d-]*\b/g;
    return this.ordered(this.ordered(rest, reading, said), reading, /\b[A-Z]{1,5} ?-?\d[\d-]*\b/g);
  }

  protected ordered(rest: string, reading: MemoReading, words: RegExp): string {
    return rest.replace(words, (word, at: number) => {
      const items = this.order(word);
      return items ? this.taken(reading, { word, at, how: "order", items }) : word;
    });
  }
}
