import type { MatchItem } from "./types";

/** How a number was written: to the letter; without prefix, zeros or spacing; as an order number. */
export type How = "whole" | "digits" | "order";
/** A number read in a memo, with every open item it can mean. More than one only where the digits alone are shared. */
export type Mention = { readonly text: string; readonly how: How; readonly items: readonly MatchItem[]; /** Items whose order number it is as well: it may look like another customer's invoice. */ readonly orders: readonly MatchItem[] };
/** A word that looks like one of the book's numbers and is none: perhaps damaged or cut. `last`: it ends the memo. `after`: the digits of the number before it. */
export type Stray = { readonly text: string; readonly digits: string; readonly last: boolean; readonly after: string; readonly ownStyle: boolean };
export type Memo = { readonly mentions: readonly Mention[]; readonly strays: readonly Stray[] };

const NOTHING: Memo = { mentions: [], strays: [] };
const compact = (text: string): string => text.toUpperCase().replace(/[^A-Z0-9]/g, "");
/** The digits at the end of a number, without leading zeros: what is left when people drop prefix and zeros. */
export const coreOf = (text: string): string => (/(\d+)\D*$/.exec(text)?.[1] ?? "").replace(/^0+/, "");
const allDigits = (text: string): string => text.replace(/\D/g, "").replace(/^0+/, "");

/** Dates, telephone numbers, amounts, and numbers that a label says are something else. */
const NOT_NUMBERS: readonly RegExp[] = [
  /\b\d{4}-\d\d-\d\d\b/g, /\b\d{1,2}[/.]\d{1,2}[/.](?:\d{4}|\d\d)\b/g, /\b(?:TEL|PHONE|FON|CALL)[.:]?\s*[\d ()+./-]{7,}/g, /\(?\b\d{3}\)?[ -.]\d{3}[-.]\d{4}\b/g,
  /[$€£]\s?\d[\d.,]*|\b\d[\d,]*[.,]\d\d\b/g, /\b(?:JOB|ORDER|REF|ACCT|ACCOUNT|CHECK|CHK|CUST(?:OMER)?|KUNDENNR|KONTO)\b[.:#]?\s*(?:NO\.?\s*)?#?\s*[A-Z]{0,3}-?\d[\dA-Z-]*/g,
];

/**
 * The book's own numbers, found in free text. How they are built (prefix,
 * length, where zeros stand) is learned from the numbers themselves.
 */
export class NumberIndex {
  private readonly whole = new Map<string, MatchItem[]>();
  private readonly core = new Map<string, MatchItem[]>();
  private readonly padded = new Map<string, MatchItem[]>();
  private readonly digits = new Map<string, MatchItem[]>();
  private readonly orders = new Map<string, MatchItem[]>();
  private readonly prefixes = new Set<string>();
  private readonly lengths = new Set<number>();
  private readonly known = new Map<string, Memo>();

  constructor(items: readonly MatchItem[]) {
    for (const item of items) {
      const letters = compact(item.number);
      put(this.whole, letters, item);
      const core = coreOf(item.number);
      // A young book's numbers have few digits but zeros: they count with their zeros.
      if (core.length >= 3) put(this.core, core, item);
      else put(this.padded, /(\d+)\D*$/.exec(item.number)?.[1] ?? "", item);
      if (allDigits(item.number) !== core) put(this.digits, allDigits(item.number), item);
      if (item.poNumber !== null && compact(item.poNumber).length >= 3) put(this.orders, compact(item.poNumber), item);
      const prefix = /^[A-Z]+/.exec(letters)?.[0];
      if (prefix !== undefined) this.prefixes.add(prefix);
      this.lengths.add(letters.replace(/\D/g, "").length);
    }
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
    const mentions: Mention[] = [];
    const taken = (text: string, how: How, items: readonly MatchItem[]): string => { mentions.push({ text, how, items, orders: how === "order" ? [] : (this.order(text) ?? []) }); return "   "; };
    // Whole numbers first, wherever they stand; the words around them are then free to be dates, jobs or amounts.
    let rest = memo.toUpperCase().replace(/\bRF\d\d(?:[A-Z0-9]{3,21}|(?: [A-Z0-9]{1,4}){1,6})\b/g, (word) => {
      // In groups of four the end is not marked: words that follow are let go one by one.
      for (let length = word.length; length > 7; length = word.lastIndexOf(" ", length - 1)) {
        const items = this.creditorReference(word.slice(0, length));
        if (items) return taken(word.slice(0, length), "whole", items) + word.slice(length);
      }
      return word;
    });
    rest = rest.replace(/\b([A-Z]{0,5}-?\d{3,}) ?(?:-|–|TO|THRU|THROUGH|BIS) ?([A-Z]{0,5}-?)(\d{2,})\b/g, (both, from: string, _prefix: string, to: string) => { const found = this.exact(both) ? undefined : this.range(`${from}-${to}`); mentions.push(...(found ?? [])); return found ? "   " : both; });
    rest = rest.replace(/(?<![$€£.,\dA-Z])[A-Z0-9][A-Z0-9/-]*[A-Z0-9](?![.,]\d|[A-Z0-9])/g, (word) => { const items = this.exact(word); return items ? taken(word, "whole", items) : word; });
    rest = rest.replace(/\b([A-Z]{1,4})[ #]+(\d[\d/-]*)/g, (both, prefix: string, number: string) => { const items = this.whole.get(compact(prefix + number)); return items ? taken(both, "whole", items) : both; });
    const ordered = (words: RegExp): void => { rest = rest.replace(words, (word) => { const items = this.order(word); return items ? taken(word.trim(), "order", items) : word; }); };
    ordered(/\b(?:PO|P\.O\.|ORDER|BESTELLUNG)[ #:.]*[A-Z]{0,3}-?\d[\d-]*\b/g);
    for (const mask of NOT_NUMBERS) rest = rest.replace(mask, " ; ");
    ordered(/\b[A-Z]{0,3}-?\d[\d-]*\b/g);
    rest = rest.replace(/\b\d(?: \d){3,}\b/g, (spaced) => spaced.replaceAll(" ", ""));
    const strays = this.words(rest, mentions);
    return mentions.length === 0 && strays.length === 0 ? NOTHING : { mentions, strays };
  }

  private exact(word: string): MatchItem[] | undefined {
    if (!/\d|O/.test(word)) return undefined;
    return this.whole.get(compact(word)) ?? (word.includes("O") ? this.whole.get(compact(word.replace(/O(?=[\dO/-]|$)/g, "0"))) : undefined);
  }

  /** A creditor reference (ISO 11649: RF, two check digits, mod 97 = 1) that carries an invoice number. */
  private creditorReference(word: string): MatchItem[] | undefined {
    const letters = compact(word);
    const body = letters.slice(4);
    const number = `${body}${letters.slice(0, 4)}`.replace(/[A-Z]/g, (letter) => String(letter.charCodeAt(0) - 55));
    if (body.length < 3 || BigInt(number) % 97n !== 1n) return undefined;
    return this.whole.get(body) ?? this.core.get(coreOf(body));
  }

  private order(word: string): MatchItem[] | undefined {
    const letters = compact(word);
    return this.orders.get(letters) ?? this.orders.get(letters.replace(/^(PO|ORDER|BESTELLUNG)/, "")) ?? this.orders.get(`PO${letters}`);
  }

  /** The words that are left: by their digits, as tails of the number before, as ranges, joined to the next; else strays. */
  private words(rest: string, mentions: Mention[]): Stray[] {
    const strays: Stray[] = [];
    const words = [...rest.matchAll(/[A-Z]{0,6}[-#/]?\d[\dA-Z]*(?:[-/]\d[\dA-Z]*)*/g)].map((found) => ({ text: found[0], end: found.index + found[0].length }));
    let before = coreOf(mentions.at(-1)?.text ?? "");
    for (let at = 0; at < words.length; at += 1) {
      const word = words[at];
      if (!word) continue;
      const digits = allDigits(word.text);
      const next = words[at + 1];
      const range = this.range(word.text);
      const found = this.byDigits(word.text) ?? (next && word.text.length + next.text.length <= 14 ? this.joined(word.text, next.text) : undefined);
      if (range) mentions.push(...range);
      else if (found) {
        mentions.push(found.mention);
        at += found.used - 1;
        before = coreOf(found.mention.items[0]?.number ?? "") || before;
      } else if (this.tail(before, word.text)) {
        const items = this.tail(before, word.text) ?? [];
        mentions.push({ text: word.text, how: "digits", items, orders: [] });
      } else if (word.text.replace(/\D/g, "").length >= 2) {
        strays.push({ text: word.text, digits, last: word.end >= rest.trimEnd().length, after: before, ownStyle: before !== "" || this.looksOwn(word.text, digits) });
      }
    }
    return strays;
  }

  private byDigits(word: string): { mention: Mention; used: number } | undefined {
    const [digits, written] = [allDigits(word), word.replace(/\D/g, "")];
    if (written.length < 3) return undefined;
    const items = digits.length < 3 ? this.padded.get(written) : (this.core.get(digits) ?? this.digits.get(digits));
    return items && this.prefixFits(word) ? { mention: { text: word, how: "digits", items, orders: [] }, used: 1 } : undefined;
  }

  /** A number that a line break cut in two. */
  private joined(word: string, next: string): { mention: Mention; used: number } | undefined {
    const items = this.whole.get(compact(word + next)) ?? (allDigits(word + next).length >= 5 ? this.core.get(allDigits(word + next)) : undefined);
    return items ? { mention: { text: `${word} ${next}`, how: "digits", items, orders: [] }, used: 2 } : undefined;
  }

  /** `20431 and 433`: the second lacks what it shares with the first. */
  private tail(before: string, word: string): MatchItem[] | undefined {
    const digits = word.replace(/\D/g, "");
    if (digits.length < 2 || digits.length >= before.length) return undefined;
    return this.core.get(before.slice(0, before.length - digits.length) + digits);
  }

  /** `1041-1044` or `1041 to 1044`: all numbers between that one customer has. */
  private range(word: string): Mention[] | undefined {
    const parts = /^(\D*)(\d{3,})-(\d{2,})$/.exec(word);
    if (!parts) return undefined;
    const [from = "", to = ""] = [parts[2], parts[3]];
    const end = to.length < from.length ? from.slice(0, from.length - to.length) + to : to;
    const [low, high] = [Number(from), Number(end)];
    const owner = this.core.get(String(low))?.[0]?.customerId;
    if (owner === undefined || !this.core.get(String(high))?.some(({ customerId }) => customerId === owner) || high <= low || high - low > 40) return undefined;
    return Array.from({ length: high - low + 1 }, (_, at) => (this.core.get(String(low + at)) ?? []).filter(({ customerId }) => customerId === owner)).filter((items) => items.length > 0).map((items) => ({ text: word, how: "digits", items, orders: [] }));
  }

  private prefixFits(word: string): boolean {
    const prefix = /^[A-Z]+/.exec(word)?.[0];
    return prefix === undefined || this.prefixes.has(prefix) || /^(INV|NR|NO|INVOICE|RE|RG|BILL|FACT?|RECHNUNG)$/.test(prefix);
  }

  /** Whether a word is built like the book's numbers: their prefix, or as many digits. */
  private looksOwn(word: string, digits: string): boolean {
    const prefix = /^[A-Z]+/.exec(word)?.[0];
    const length = word.replace(/\D/g, "").length;
    return (prefix !== undefined && this.prefixes.has(prefix)) || ((prefix === undefined || this.prefixes.size === 0) && digits.length >= 4 && (this.lengths.has(length) || this.lengths.has(length + 1)));
  }
}

/** Words of a memo that hold a digit, to look up numbers that are closed already. */
export function numberWords(memo: string): string[] {
  return memo.match(/[A-Za-z0-9][A-Za-z0-9/-]*/g)?.filter((word) => /\d/.test(word)) ?? [];
}

/** Optimal string alignment (Damerau 1964; Lowrance and Wagner 1975), up to a bound. @example editDistance("CA", "ABC", 5) // 3 */
export function editDistance(a: string, b: string, bound: number): number {
  if (Math.abs(a.length - b.length) > bound) return bound + 1;
  let [older, old, now]: number[][] = [[], Array.from({ length: b.length + 1 }, (_, at) => at), []];
  for (let i = 1; i <= a.length; i += 1) {
    now = [i];
    for (let j = 1; j <= b.length; j += 1) {
      const cost = a[i - 1] === b[j - 1] ? 0 : 1;
      let best = Math.min((old?.[j] ?? 0) + 1, (now[j - 1] ?? 0) + 1, (old?.[j - 1] ?? 0) + cost);
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1]) best = Math.min(best, (older?.[j - 2] ?? 0) + 1);
      now[j] = best;
    }
    [older, old] = [old ?? [], now];
  }
  return old?.[b.length] ?? bound + 1;
}

/** At most one edit apart; where the two begin and end too differently that is seen without reckoning. */
function isOneEdit(a: string, b: string): boolean {
  if (Math.abs(a.length - b.length) > 1) return false;
  const least = Math.min(a.length, b.length);
  let [front, back] = [0, 0];
  while (front < least && a[front] === b[front]) front += 1;
  while (back < least && a[a.length - 1 - back] === b[b.length - 1 - back]) back += 1;
  return front + back >= least - 2 && editDistance(a, b, 1) <= 1;
}

/**
 * Open items that a stray word may be, if it was damaged on the way: a swap or
 * one wrong digit, cut at the end of the field, or cut in front. Tested only
 * against items that fit already by their payer.
 */
export function mayBe(stray: Stray, items: readonly MatchItem[]): MatchItem[] {
  const letters = compact(stray.text);
  return items.filter((item) => {
    const [number, core] = [compact(item.number), coreOf(item.number)];
    if (stray.last && letters.length >= 3 && number.length - letters.length >= 1 && number.length - letters.length <= 3 && number.startsWith(letters)) return true;
    if (stray.last && stray.digits.length >= 3 && core.length - stray.digits.length === 1 && core.startsWith(stray.digits)) return true;
    if (stray.digits.length >= 3 && core.length > stray.digits.length && core.endsWith(stray.digits)) return true;
    return (stray.digits.length >= 4 || (stray.digits.length >= 3 && letters.length >= 5)) && (isOneEdit(stray.digits, core) || isOneEdit(letters, number));
  });
}

function put<K, V>(map: Map<K, V[]>, key: K, value: V): void {
  const list = map.get(key);
  if (list) list.push(value);
  else map.set(key, [value]);
}
