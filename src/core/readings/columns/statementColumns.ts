import { HEADING, plainWords } from "@/core/formats";
import { currencyOf } from "@/core/money";

import { firstNumbered } from "../bank/numberedWords";
import { sureDirection } from "../rowWords";
import { type Contents, isSum, MOST_LOOKED_AT } from "./contents";

/** What a statement's columns without a known name are: its words, its sums, their way, its accounts. */
export const statementColumns = (
  free: readonly string[],
  cellsOf: Contents,
  named: Readonly<Record<string, string>>,
  rows: number,
): Record<string, string> => ({
  ...wordsIn(free, named),
  ...sumIn(free, cellsOf, named),
  ...waysIn(free, cellsOf, named, rows),
  ...accountsIn(free, cellsOf, named),
});

/** The accounts that the sections of a statement name above them. */
const ACCOUNT_NAME =
  /\b(account|acct|a\/c|konto|compte|cuenta|conto|rekening|checking|savings)\b|\d{4}/i;

/** A month of which the lines below are: `October 2026`. */
const MONTH = /^\p{L}+\.? (?:19|20)\d\d$/u;

const accountsIn = (
  free: readonly string[],
  cellsOf: Contents,
  named: Readonly<Record<string, string>>,
): Record<string, string> =>
  named.account === undefined &&
  free.includes(HEADING) &&
  cellsOf(HEADING).every((name) => ACCOUNT_NAME.test(name) && !MONTH.test(name))
    ? { account: HEADING }
    : {};

/** The only filled column that is called by a currency alone, where no column is called a sum. */
function sumIn(
  free: readonly string[],
  cellsOf: Contents,
  named: Readonly<Record<string, string>>,
): Record<string, string> {
  if (["amount", "moneyIn", "moneyOut"].some((field) => named[field] !== undefined)) return {};
  const [only, ...others] = free.filter(
    (head) => isCurrencyHead(head) && cellsOf(head).some((cell) => isSum(cell)),
  );
  return only === undefined || others.length > 0 ? {} : { amount: only };
}

const isCurrencyHead = (head: string): boolean =>
  currencyOf(/^([A-Z]{3})\s?[$€£]?$/.exec(head.trim())?.[1] ?? "") !== undefined;

/** The words of a statement that stand in several columns. */
function wordsIn(
  free: readonly string[],
  named: Readonly<Record<string, string>>,
): Record<string, string> {
  const first = named.description === undefined ? firstNumbered(free) : undefined;
  return first === undefined ? {} : { description: first };
}

/** A column of which every cell says in or out. */
function waysIn(
  free: readonly string[],
  cellsOf: Contents,
  named: Readonly<Record<string, string>>,
  rows: number,
): Record<string, string> {
  const says = (head: string): boolean => {
    const cells = cellsOf(head);
    return (
      cells.length >= Math.min(rows, MOST_LOOKED_AT) &&
      cells.every((cell) => sureDirection(cell) !== null)
    );
  };
  if (named.moneyOut !== undefined) return {};
  if (named.direction !== undefined && says(named.direction)) return {};
  const direction = free.find(says) ?? free.find((head) => maySay(head, cellsOf(head), rows));
  return direction === undefined ? {} : { direction };
}

/** Heads of codes that may say which way money went. */
const CODE_HEAD = /\b(?:type|code|kind|dr|cr|withdrawal|deposit|flow|way)\b/;
/** More words than these are no ways. */
const MOST_WAYS = 8;

/** A column of few words on every line, of which some say a way, or yes and no to one: the others are asked about. */
function maySay(head: string, cells: readonly string[], rows: number): boolean {
  const words = new Set(cells);
  const isYes = [...words].every((word) => /^(?:y|n|yes|no|true|false)$/i.test(word));
  const isFew =
    words.size > 1 && words.size <= MOST_WAYS && cells.every((cell) => !/\d/.test(cell));
  const isWhole = cells.length >= Math.min(rows, MOST_LOOKED_AT);
  const plain = plainWords(head);
  const isWay = [...words].some((word) => sureDirection(word) !== null);
  return (
    isFew &&
    isWhole &&
    CODE_HEAD.test(plain) &&
    (isWay || (isYes && /\b(?:withdrawal|deposit|debit|credit)\b/.test(plain)))
  );
}
