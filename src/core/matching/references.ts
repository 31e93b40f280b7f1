import type { MatchItem } from "./types";

/** A number in a memo that is one of the book's own, and how it was written there. */
export type Quoted = { readonly item: MatchItem; readonly how: "whole" | "digits" | "cut" };

/** Open items that a memo names by number or by order, and its words that look like numbers of the book but are none. */
export type MemoNumbers = { readonly quoted: readonly Quoted[]; readonly orders: readonly MatchItem[]; readonly unknown: readonly string[] };

const compact = (text: string): string => text.toUpperCase().replace(/[^A-Z0-9]/g, "");
const digitsOf = (text: string): string => text.replace(/\D/g, "").replace(/^0+/, "");

/** The book's open numbers, found whole (punctuation and case do not matter) or by their digits without prefix and leading zeros. */
export class NumberIndex {
  private readonly whole = new Map<string, MatchItem[]>();
  private readonly digits = new Map<string, MatchItem[]>();
  private readonly orders = new Map<string, MatchItem[]>();

  constructor(items: readonly MatchItem[]) {
    for (const item of items) {
      push(this.whole, compact(item.number), item);
      if (digitsOf(item.number).length >= 3) push(this.digits, digitsOf(item.number), item);
      if (item.poNumber !== null && compact(item.poNumber).length >= 3) push(this.orders, compact(item.poNumber), item);
    }
  }

  read(memo: string): MemoNumbers {
    const quoted = new Map<number, Quoted>();
    const orders = new Map<number, MatchItem>();
    const unknown: string[] = [];
    let before = "";
    for (const word of numberWords(memo)) {
      const found = this.lookUp(word) ?? this.completed(word, before);
      for (const one of found ?? []) if (!quoted.has(one.item.id)) quoted.set(one.item.id, one);
      if (found?.[0]) before = digitsOf(found[0].item.number);
      const byOrder = found ? undefined : this.orders.get(compact(word));
      for (const item of byOrder ?? []) orders.set(item.id, item);
      if (!found && !byOrder && digitsOf(word).length >= 3) unknown.push(word);
    }
    return { quoted: [...quoted.values()], orders: [...orders.values()], unknown };
  }

  private lookUp(word: string): Quoted[] | undefined {
    const whole = this.whole.get(compact(word));
    if (whole) return whole.map((item) => ({ item, how: "whole" as const }));
    return this.digits.get(digitsOf(word))?.map((item) => ({ item, how: "digits" as const }));
  }

  /** `20431 and 433`: the second number lacks what it shares with the first. */
  private completed(word: string, before: string): Quoted[] | undefined {
    const tail = word.replace(/\D/g, "");
    if (before === "" || tail.length < 2 || tail.length >= before.length) return undefined;
    return this.digits.get(before.slice(0, before.length - tail.length) + tail)?.map((item) => ({ item, how: "cut" as const }));
  }
}

/** Words of a memo that hold a digit, with dates, amounts and telephone numbers left out. */
export function numberWords(memo: string): string[] {
  const masked = memo
    .replace(/\b\d{4}-\d\d-\d\d\b|\b\d{1,2}\/\d{1,2}(?:\/\d{2,4})?\b/g, " ")
    .replace(/\(?\b\d{3}\)?[ -.]\d{3}[-.]\d{4}\b/g, " ")
    .replace(/[$€£]\s?\d[\d,]*(?:\.\d+)?|\b\d[\d,]*\.\d\d\b/g, " ");
  return masked.match(/[A-Za-z]*[-#/]?[A-Za-z]*[-#/]?\d[\dA-Za-z/-]*/g)?.map((word) => word.replace(/^[-#/]+|[-#/]+$/g, "")).filter((word) => word !== "") ?? [];
}

function push<K, V>(map: Map<K, V[]>, key: K, value: V): void {
  const list = map.get(key);
  if (list) list.push(value);
  else map.set(key, [value]);
}
