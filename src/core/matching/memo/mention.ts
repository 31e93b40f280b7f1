import { type MatchItem } from "../types";
import { OTHER_BEFORE } from "./patterns";

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
  /** The words before it say that it is a ticket, an account or the like. */
  readonly otherwise: boolean;
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
  readonly leftOut: boolean;
  readonly stated: string;
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
  /^\s*(?:[(-]\s*)?(?:IS |STILL )?(?:IN DISPUTE|DISPUTED|IN KLAERUNG|IN KLÄRUNG|STRITTIG|EN LITIGE|CONTESTEE|RECLAMADA|EN DISPUTA|IN CONTESTAZIONE|NOT PAID|LEFT OUT|TO FOLLOW|OFFEN)\b/;

/** A sum beside a number, behind a sign or a currency, with either decimal mark. */
const TOLD_AFTER =
  /^\s*(?:[:=(@-]\s*)?(?:(?:USD|EUR|GBP|CAD|CHF|AUD|[$€£])\s?)?(\d[\d.,']*[.,]\d\d)(?!\d)(?!\s*(?:TO FOLLOW|FOLGT|SUIT|SIGUE|LATER|IN DISPUTE|EN DISPUTA|EN LITIGE|STRITTIG))/;

/** What stands around a number: words that leave it out or call it something else, and its sum. */
export function aroundOf(
  text: string,
  at: number,
  word: string,
): Pick<Mention, "leftOut" | "stated" | "otherwise"> {
  const [before, after] = [text.slice(Math.max(0, at - 40), at), text.slice(at + word.length)];
  return {
    leftOut: OUT_BEFORE.test(before) || OUT_AFTER.test(after),
    stated: TOLD_AFTER.exec(after)?.[1] ?? "",
    otherwise: OTHER_BEFORE.test(before),
  };
}

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
  return { text: word, at, how, items, orders, ...aroundOf(text, at, word) };
}

export function nearestBefore(mentions: readonly Mention[], at: number): Mention | undefined {
  let best: Mention | undefined;
  for (const mention of mentions)
    if (mention.at < at && (best === undefined || mention.at >= best.at)) best = mention;
  return best;
}

/** Whether a memo names an item of another currency, and none of this one by the same number. */
export const isForeign = ({ mentions }: Memo, currency: MatchItem["currency"]): boolean =>
  mentions.some(
    ({ items, orders, otherwise }) =>
      !otherwise &&
      items.length > 0 &&
      [...items, ...orders].every((item) => item.currency !== currency),
  );

/** What a memo names, in one line of text, to see whether it names something else now. */
export function mentionsOf({ mentions, strays }: Memo): string {
  const named = mentions.map(({ items, orders }) =>
    [...items, ...orders].map(({ id }) => id).join(),
  );
  return `${named.join(";")}|${strays.map(({ text, ownStyle }) => `${text}${ownStyle}`).join()}`;
}
