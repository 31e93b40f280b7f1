import type { MatchItem, Spot } from "../types";
import { PostingList } from "./postingList";

/** How a number was written: to the letter; without prefix, zeros or spacing; as an order number. */
export type How = "whole" | "digits" | "order";
/**
 * A number read in a memo, with every open item it can mean. More than one only where the digits
 * alone are shared.
 */
export type Mention = {
  readonly text: string;
  /** Where it stands in the memo, in characters. */
  readonly at: number;
  readonly how: How;
  readonly items: readonly MatchItem[];
  /** Items whose order number it is as well: it may look like another customer's invoice. */
  readonly orders: readonly MatchItem[];
  /** The words say that this one is not paid: disputed, or left out. */
  readonly leftOut: boolean;
  /** The sum written beside it, as it was written; empty where there is none. */
  readonly stated: string;
};
/**
 * A word that looks like one of the book's numbers and is none: perhaps damaged or cut. `last`: it
 * ends the memo. `after`: the digits of the number before it.
 */
export type UnresolvedToken = {
  readonly text: string;
  readonly at: number;
  readonly digits: string;
  readonly last: boolean;
  readonly after: string;
  readonly ownStyle: boolean;
};
export type Memo = {
  readonly mentions: readonly Mention[];
  readonly strays: readonly UnresolvedToken[];
  /** How many sums of money stand in it. */
  readonly sums: number;
};

const NOTHING: Memo = { mentions: [], strays: [], sums: 0 };
export const compact = (text: string): string => text.toUpperCase().replace(/[^A-Z0-9]/g, "");
/**
 * The digits at the end of a number, without leading zeros: what is left when people drop prefix
 * and zeros.
 */
export const coreOf = (text: string): string =>
  (/(\d+)\D*$/.exec(text)?.[1] ?? "").replace(/^0+/, "");
const allDigits = (text: string): string => text.replace(/\D/g, "").replace(/^0+/, "");

/**
 * Dates, telephone numbers, amounts, percentages, counts of goods, and numbers that a label says
 * are something else.
 */
const NOT_NUMBERS: readonly RegExp[] = [
  /\b\d{4}-\d\d-\d\d\b/g,
  /\b\d{1,2}[/.]\d{1,2}[/.](?:\d{4}|\d\d)\b/g,
  /\b(?:TEL|PHONE|FON|CALL)[.:]?\s*[\d ()+./-]{7,}/g,
  /\(?\b\d{3}\)?[ -.]\d{3}[-.]\d{4}\b/g,
  /[$€£]\s?\d[\d.,]*|\b\d[\d,]*[.,]\d\d\b|\b\d[\d,]*\.\d?(?=\W*$)/g,
  /\b\d{1,2}(?:[.,]\d+)?\s?(?:%|PCT\b|PERCENT\b|PROZENT\b)/g,
  /\b\d{1,3}\s?(?:BOX(?:ES)?|BAGS?|PCS|PIECES?|UNITS?|CASES?|PALLETS?|STK|STUECK|CAJAS?|SACOS?|CARTONS?|DAYS?|MONTHS?)\b/g,
  /\b(?:WK|WEEK|KW|SEMANA|SEMAINE|UNIT|APT|STE|SUITE|ROOM|LOT|PAGE|STORE|SITE|ROUTE)\b[.:#]?\s*\d{1,4}\b/g,
  /\b(?:JAN|FEB|MAR|APR|MAY|JUN|JUL|AUG|SEP|SEPT|OCT|NOV|DEC)[A-Z]*\.?\s+(?:\d{1,2},?\s+)?20\d\d\b/g,
  /\b(?:JOB|ORDER|REF|ACCT|ACCOUNT|CHECK|CHK|CUST(?:OMER)?|KUNDENNR|KONTO|TICKET|TKT|MEMBER(?:SHIP)?)\b[.:#]?\s*(?:NO\.?\s*)?#?\s*[A-Z]{0,3}-?\d[\dA-Z-]*/g,
];
const SUM = /\b\d[\d,]*\.\d\d\b/g;
/** Words before a number that leave it out, and words after it that say it is in dispute. */
const OUT_BEFORE =
  /\b(?:NOT(?: INCL(?:UDING|\.)?)?|WITHOUT|EXCL(?:UDING|\.)?|EXCEPT|OMIT(?:TING)?|OHNE|SANS|SIN|SAUF|AUSSER|EXCEPTO)\s*(?:(?:INV(?:OICE)?|NO|NR|RG|FACT?(?:URA|URE)?|RECHNUNG)[.:]?\s*)?#?\s*$/;
const OUT_AFTER =
  /^\s*(?:\(|-)?\s*(?:IS |STILL )?(?:IN DISPUTE|DISPUTED|STRITTIG|EN LITIGE|RECLAMADA|EN DISPUTA|NOT PAID|LEFT OUT|TO FOLLOW|OFFEN)\b/;
const TOLD_AFTER = /^\s*[:=(]?\s*(?:USD|EUR|GBP|CAD|[$€£])?\s?(\d[\d,]*\.\d\d)(?!\d)/;
/** Whether the whole of a word is a date, an amount or the like. */
const isMasked = (word: string): boolean =>
  NOT_NUMBERS.some((mask) => word.replace(mask, "") === "");
/** The memo in capitals, letter by letter, so that places stay what they are. */
const capitals = (text: string): string =>
  Array.from(text, (letter) => {
    const upper = letter.toUpperCase();
    return upper.length === letter.length ? upper : letter;
  }).join("");
const blank = (text: string): string => " ".repeat(text.length);

/**
 * The book's own numbers, found in free text. How they are built (prefix,
 * length, where zeros stand) is learned from the numbers themselves.
 */
export class NumberIndex {
  private readonly whole = new PostingList();
  private readonly core = new PostingList();
  private readonly padded = new PostingList();
  private readonly digits = new PostingList();
  private readonly orders = new PostingList();
  /** How many of the book's numbers have a prefix, and how many digits. */
  private readonly prefixes = new Map<string, number>();
  private readonly lengths = new Map<number, number>();
  private readonly known = new Map<string, Memo>();

  constructor(items: readonly MatchItem[]) {
    for (const item of items) this.enter(item, 1);
  }

  /** Numbers that are no longer open, and such as are now (again); memos are read anew after it. */
  change(gone: readonly MatchItem[], come: readonly MatchItem[]): void {
    for (const item of gone) this.enter(item, -1);
    for (const item of come) this.enter(item, 1);
    this.known.clear();
  }

  private enter(item: MatchItem, by: 1 | -1): void {
    const move = (shelf: PostingList, key: string, matchItem: MatchItem): void =>
      by === 1 ? shelf.put(key, matchItem) : shelf.drop(key, matchItem);
    const letters = compact(item.number);
    move(this.whole, letters, item);
    const core = coreOf(item.number);
    // A young book's numbers have few digits but zeros: they count with their zeros.
    if (core.length >= 3) move(this.core, core, item);
    else move(this.padded, /(\d+)\D*$/.exec(item.number)?.[1] ?? "", item);
    if (allDigits(item.number) !== core) move(this.digits, allDigits(item.number), item);
    if (item.poNumber !== null && compact(item.poNumber).length >= 3)
      move(this.orders, compact(item.poNumber), item);
    const prefix = /^[A-Z]+/.exec(letters)?.[0];
    if (prefix !== undefined) count(this.prefixes, prefix, by);
    count(this.lengths, letters.replace(/\D/g, "").length, by);
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
   * A sum, or a number of the book, that a line break cut in two is put together again; all places
   * stay but the break's.
   */
  private unwrapped(text: string): string {
    const sums = text.replace(
      /\b(\d[\d,]*\.?\d?)[\r\n]+(\.?\d{1,4}(?:\.\d\d)?)(?![\d.])/g,
      (both, left: string, right: string) =>
        /^\d[\d,]*\.\d\d$/.test(left + right) ? (left + right).padEnd(both.length) : both,
    );
    return sums.replace(
      /([A-Z0-9][A-Z0-9/-]*)[\r\n]+([A-Z0-9][A-Z0-9/-]*)/g,
      (both, left: string, right: string) =>
        (this.whole.get(compact(left)) && this.whole.get(compact(right))) ||
        !(this.exact(left + right) || isMasked(left + right))
          ? both
          : (left + right).padEnd(both.length),
    );
  }

  private exact(word: string): readonly MatchItem[] | undefined {
    if (!/\d|O/.test(word)) return undefined;
    return (
      this.whole.get(compact(word)) ??
      (word.includes("O")
        ? this.whole.get(compact(word.replace(/O(?=[\dO/-]|$)/g, "0")))
        : undefined)
    );
  }

  /** A creditor reference (ISO 11649: RF, two check digits, mod 97 = 1) that carries an invoice number. */
  private creditorReference(word: string): readonly MatchItem[] | undefined {
    const letters = compact(word);
    const body = letters.slice(4);
    const number = `${body}${letters.slice(0, 4)}`.replace(/[A-Z]/g, (letter) =>
      String(letter.charCodeAt(0) - 55),
    );
    if (body.length < 3 || BigInt(number) % 97n !== 1n) return undefined;
    return this.whole.get(body) ?? this.core.get(coreOf(body));
  }

  private order(word: string): readonly MatchItem[] | undefined {
    const letters = compact(word);
    return (
      this.orders.get(letters) ??
      this.orders.get(letters.replace(/^(PO|ORDER|BESTELLUNG)/, "")) ??
      this.orders.get(`PO${letters}`)
    );
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
        .replace(/(?<![A-Z\d])[\dO-]*\dO[\dO]*(?![A-Z\d])/g, (word) => word.replaceAll("O", "0"))
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

  /** A range, a number by its digits or joined to the next word, or the tail of the number before. */
  private meaningOf(
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

  private byDigits(word: string): { items: readonly MatchItem[]; used: number } | undefined {
    const [digits, written] = [allDigits(word), word.replace(/\D/g, "")];
    if (written.length < 3) return undefined;
    const items =
      digits.length < 3
        ? this.padded.get(written)
        : (this.core.get(digits) ?? this.digits.get(digits));
    return items && this.prefixFits(word) ? { items, used: 1 } : undefined;
  }

  /** A number that a line break cut in two. */
  private joined(
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
  private tail(before: string, word: string): readonly MatchItem[] | undefined {
    const digits = word.replace(/\D/g, "");
    if (digits.length < 2 || digits.length >= before.length) return undefined;
    return this.core.get(before.slice(0, before.length - digits.length) + digits);
  }

  /** `1041-1044` or `1041 to 1044`: all numbers between that one customer has. */
  private range(word: string): (readonly MatchItem[])[] | undefined {
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

  private prefixFits(word: string): boolean {
    const prefix = /^[A-Z]+/.exec(word)?.[0];
    return (
      prefix === undefined ||
      this.prefixes.has(prefix) ||
      /^(INV|NR|NO|INVOICE|RE|RG|BILL|FACT?|RECHNUNG)$/.test(prefix)
    );
  }

  /** Whether a word is built like the book's numbers: their prefix, or as many digits. */
  private looksOwn(word: string, digits: string): boolean {
    const prefix = /^[A-Z]+/.exec(word)?.[0];
    const length = word.replace(/\D/g, "").length;
    return (
      (prefix !== undefined && this.prefixes.has(prefix)) ||
      ((prefix === undefined || this.prefixes.size === 0) &&
        digits.length >= 4 &&
        (this.lengths.has(length) || this.lengths.has(length + 1)))
    );
  }
}

/** A memo while it is read: its text in capitals, and what was found in it so far. */
type MemoReading = { readonly text: string; readonly mentions: Mention[] };

type Found = {
  readonly word: string;
  readonly at: number;
  readonly how: How;
  readonly items: readonly MatchItem[];
  readonly orders: readonly MatchItem[];
};

/** A number with what stands around it: words that leave it out, and its sum. */
function mentionIn(text: string, { word, at, how, items, orders }: Found): Mention {
  const after = text.slice(at + word.length);
  return {
    text: word,
    at,
    how,
    items,
    orders,
    leftOut: OUT_BEFORE.test(text.slice(0, at)) || OUT_AFTER.test(after),
    stated: TOLD_AFTER.exec(after)?.[1] ?? "",
  };
}

function nearestBefore(mentions: readonly Mention[], at: number): Mention | undefined {
  let best: Mention | undefined;
  for (const mention of mentions)
    if (mention.at < at && (best === undefined || mention.at >= best.at)) best = mention;
  return best;
}

/** Words of a memo that hold a digit, to look up numbers that are closed already. */
export function numberWords(memo: string): string[] {
  return numberSpots(memo).map(({ text }) => text);
}

export function numberSpots(memo: string): Spot[] {
  return [...memo.matchAll(/[A-Za-z0-9][A-Za-z0-9/-]*/g)]
    .map((found) => ({ at: found.index, text: found[0] }))
    .filter(({ text }) => /\d/.test(text));
}

function count<K>(map: Map<K, number>, key: K, by: 1 | -1): void {
  const now = (map.get(key) ?? 0) + by;
  if (now <= 0) map.delete(key);
  else map.set(key, now);
}
