import { plainWords } from "@/core/formats";

import { areEntryCodes } from "../activity/achCodes";

/** Heads that may be of an id, and of words as well. */
const WEAK =
  /^(?:transaction|transaction reference|payment ref|payment reference|reference|event)$/;

/** Whether what goes by the name of an id is one item for all, codes of entries, words, cards, or references. */
export function areNoIds(head: string, cells: readonly string[]): boolean {
  if (cells.length === 0) return false;
  const isOfAll = /^item\b/i.test(head) && areSame(cells);
  if (isOfAll || areEntryCodes(head, cells)) return true;
  const phrases = cells.filter((cell) => /\s/.test(cell));
  const areWords = WEAK.test(plainWords(head)) && cells.every((cell) => !/\d/.test(cell));
  return areWords || phrases.length * 2 > cells.length;
}

/** Whether all of several cells are the same. */
export const areSame = (cells: readonly string[]): boolean =>
  cells.length > 2 && new Set(cells).size === 1;

/** Whether cells hold numbers alone, or what those come to: they may be sums. */
export const areNumbers = (cells: readonly string[]): boolean =>
  cells.every((cell) => !/\p{L}/u.test(cell.replace(/\b(?:sub)?total\b/i, "")));
