import { type MatchItem } from "../types";

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

export const NOTHING: Memo = { mentions: [], strays: [], sums: 0 };

/** Words before a number that leave it out, and words after it that say it is in dispute. */
const OUT_BEFORE =
  /\b(?:NOT(?: INCL(?:UDING|\.)?)?|WITHOUT|EXCL(?:UDING|\.)?|EXCEPT|OMIT(?:TING)?|OHNE|SANS|SIN|SAUF|AUSSER|EXCEPTO)(?:\s*(?:INV(?:OICE)?|NO|NR|RG|FACT?(?:URA|URE)?|RECHNUNG)[.:]?)?\s*(?:#\s*)?$/;

const OUT_AFTER =
  /^\s*(?:[(-]\s*)?(?:IS |STILL )?(?:IN DISPUTE|DISPUTED|STRITTIG|EN LITIGE|RECLAMADA|EN DISPUTA|NOT PAID|LEFT OUT|TO FOLLOW|OFFEN)\b/;

const TOLD_AFTER = /^\s*(?:[:=(]\s*)?(?:(?:USD|EUR|GBP|CAD|[$€£])\s?)?(\d[\d,]*\.\d\d)(?!\d)/;

/** A memo while it is read: its text in capitals, and what was found in it so far. */
export type MemoReading = { readonly text: string; readonly mentions: Mention[] };

export type Found = {
  readonly word: string;
  readonly at: number;
  readonly how: How;
  readonly items: readonly MatchItem[];
  readonly orders: readonly MatchItem[];
};

/** A number with what stands around it: words that leave it out, and its sum. */
export function mentionIn(text: string, { word, at, how, items, orders }: Found): Mention {
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

export function nearestBefore(mentions: readonly Mention[], at: number): Mention | undefined {
  let best: Mention | undefined;
  for (const mention of mentions)
    if (mention.at < at && (best === undefined || mention.at >= best.at)) best = mention;
  return best;
}
