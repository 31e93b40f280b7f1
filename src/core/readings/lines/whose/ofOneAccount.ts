import type { Table } from "@/core/formats";

import type { Cells, Row } from "../../cells";
import { writtenDay } from "../../days/writtenDay";
import type { LeftOut, Question, ReadingContext } from "../../types";

/** Of a list of several the lines of one, and what is asked. */
export type OfOne = {
  rows: readonly Row[];
  leftOut: readonly LeftOut[];
  questions: readonly Question[];
  proofs: readonly string[];
};

/**
 * So many differing values are asked about, whatever they are; more of them are of others, whom the
 * money went to or came from, where they differ from line to line, and very many always are.
 */
const FEW_ACCOUNTS = 6;
const MOST_ACCOUNTS = 20;
const ALL = "all";

/**
 * Of a statement of several accounts the lines of one: of that which ends like the book's own account,
 * else of the one that is said. A statement of an account that ends otherwise is asked about.
 */
export function ofOneAccount(
  cells: Cells,
  rows: readonly Row[],
  { accountEnds = null }: ReadingContext,
): OfOne {
  const all = { rows, leftOut: [], questions: [], proofs: [] };
  if (cells.file.kind !== "bank") return all;
  const { whose } = cells.file.answers;
  if (!cells.has("account"))
    return { ...all, ...ofAnother(accountsAbove(cells.file.table), whose, accountEnds) };
  const counts = new Map<string, number>();
  const accountOf = (row: Row): string => endOf(cells.of(row, "account"));
  for (const row of rows) counts.set(accountOf(row), (counts.get(accountOf(row)) ?? 0) + 1);
  counts.delete("");
  if (counts.size === 0 || isOfOthers(cells, counts, rows.length)) return all;
  const said = whose;
  if (said === ALL) return all;
  if (counts.size === 1) return { ...all, ...ofAnother([...counts.keys()], said, accountEnds) };
  const taken = [said, accountEnds].find((account) => account && counts.has(account));
  if (!taken) return { ...all, questions: [severalQuestion(counts)] };
  return {
    rows: rows.filter((row) => accountOf(row) === taken),
    leftOut: rows
      .filter((row) => accountOf(row) !== taken)
      .map(({ line }) => ({ line, why: "other_account" as const })),
    questions: [],
    proofs: [`${linesOf(counts.get(taken) ?? 0)} of the account ending ${taken}`],
  };
}

const linesOf = (count: number): string => (count === 1 ? "the one line" : `the ${count} lines`);

/** The last four digits of a number, whatever hides the others; a name as it is. */
function endOf(text: string): string {
  const digits = text.replace(/\D/g, "");
  return digits.length >= 4 ? digits.slice(-4) : text.trim();
}

/** In a published format the account is the statement's own; a column of a list may be the other side's. */
const isOfOthers = (
  { file: { table } }: Cells,
  counts: ReadonlyMap<string, number>,
  lines: number,
): boolean =>
  table.kind === undefined &&
  counts.size > FEW_ACCOUNTS &&
  (counts.size > MOST_ACCOUNTS || counts.size * 3 > lines);

/** An account by its number, whole or hidden but for its end; a day or a sum is none. */
const NUMBER =
  /\b(?:accounts?|acct|konto(?:nummer)?|compte|cuenta|conto|rekening|iban|card)\b[^\d*•]{0,40}?((?:[*x•.]{2}[*x•. -]{0,30}|ending (?:in |with )?)\d(?:[ -]?\d){3}|[A-Z]{0,2}\d[\d -]{5,38}\d)(?![\d.,/])/i;

/** The ends of the accounts that the lines above a list name. */
function accountsAbove({ kind, above = [] }: Table): string[] {
  if (kind !== undefined) return [];
  const numbers = above.flatMap((line) => NUMBER.exec(line)?.[1] ?? []);
  return [...new Set(numbers.filter((text) => writtenDay(text) === null).map(endOf))];
}

/** The account of a file is another than that which it is taken into; of several nobody knows which. */
function ofAnother(
  [found = "", ...others]: readonly string[],
  said: string | undefined,
  accountEnds: string | null,
): Pick<OfOne, "questions"> {
  if (others.length > 0) return { questions: [] };
  const isSame = accountEnds === null || !/^\d{4}$/.test(found) || found === accountEnds;
  if (isSame || said === found) return { questions: [] };
  const words = `The file is of an account that ends in ${found}, and is to be taken into one that ends in ${accountEnds}. If it is another, choose that account.`;
  return {
    questions: [
      {
        key: "whose",
        words,
        choices: [{ answer: found, result: "it is this account all the same" }],
      },
    ],
  };
}

const severalQuestion = (counts: ReadonlyMap<string, number>): Question => ({
  key: "whose",
  words: `The file has the lines of ${counts.size} accounts. One is taken in at a time; the others are left out, and the same file is taken into theirs.`,
  choices: [
    ...[...counts].map(([account, count]) => ({
      answer: account,
      result: `${linesOf(count)} of ${/^\d{4}$/.test(account) ? `the account ending ${account}` : `“${account}”`}`,
    })),
    { answer: ALL, result: "all lines: they are of one account" },
  ],
});
