import { plainWords } from "@/core/formats";

import type { Row } from "../cells";
import { onlyWords } from "./onlyWords";
import { isBalanceWords, isTotalWord } from "./rowsLeftOut";
import { isCountAlone } from "./totals/saidCount";
import type { LeftOut, Unread } from "../types";

/** What the lines of a section are, by its heading: money in, money out, balances, on their way, or not said. */
type Section = "deposit" | "withdrawal" | "balance" | "pending" | "";

/** Headings of the sections of a printed statement (common practice, no source). */
const OUT =
  /\b(withdrawals?|debits?|checks? paid|checks|payments? out|money out|paid out|fees|service charges?|purchases|subtractions)\b/;
const IN =
  /\b(deposits?|credits?|money in|paid in|additions|receipts|payments? in|payments received)\b/;
const BALANCES =
  /\b(daily|ending|ledger|day end) (?:\w+ )?balances?\b|\bbalances? (by day|summary)\b/;

const PENDING = /\b(pending|uncleared|not yet (?:posted|booked)|scheduled|vorgemerkt\w*)\b/;

function sectionOf(words: string): Section {
  const plain = plainWords(words);
  if (PENDING.test(plain)) return "pending";
  if (BALANCES.test(plain)) return "balance";
  const [isIn, isOut] = [IN.test(plain), OUT.test(plain)];
  if (isIn === isOut) return "";
  return isIn ? "deposit" : "withdrawal";
}

/** A statement as its own lines: headings left out, words that go on joined to their line. */
export type Sections = {
  readonly table: Unread["table"];
  readonly leftOut: readonly LeftOut[];
  /** What the heading above a line says it is; empty where none does. */
  readonly wayOf: (row: Row) => string;
};

/**
 * A statement whose list is printed in parts: deposits under one heading, withdrawals under another,
 * balances of each day under a third; and lines whose words go on below them.
 */
export function sectionsOf({ table, columns }: Unread): Sections {
  const wordsAt = table.headers.indexOf(columns.description ?? "");
  const headings = table.rows.filter(({ cells }) => isHeading(cells, wordsAt));
  const leftOut: LeftOut[] = [];
  const ways = new Map<number, Section>();
  const rows: Row[] = [];
  let section = headings.length > 0 ? firstSection(table) : "";
  for (const row of table.rows) {
    if (isHeading(row.cells, wordsAt)) {
      section = sectionOf(row.cells.join(" "));
      leftOut.push({ line: row.line, why: "heading" });
    } else if (section === "balance" || section === "pending")
      leftOut.push({ line: row.line, why: section === "balance" ? "balance" : "not_yet" });
    else if (goesOn(row, rows.at(-1), wordsAt)) {
      rows.push(joined(rows.pop() as Row, row, wordsAt));
      leftOut.push({ line: row.line, why: "continues" });
    } else {
      rows.push(row);
      ways.set(row.line, section);
    }
  }
  return { table: { ...table, rows }, leftOut, wayOf: ({ line }) => ways.get(line) ?? "" };
}

/** Words alone in a line, but not where the words of lines stand. */
function isHeading(cells: readonly string[], wordsAt: number): boolean {
  const at = onlyWords(cells);
  if (at < 0 || isCountAlone(cells)) return false;
  const words = plainWords(cells[at] ?? "");
  const isAside = at !== wordsAt || wordsAt === 0 || PENDING.test(words);
  return isAside && !isTotalWord(words) && !/\d{3}/.test(words);
}

/** The heading of the first part stands above the head of the list. */
function firstSection({ above = [] }: Unread["table"]): Section {
  const last = above.filter((line) => line.trim() !== "").at(-1);
  return last === undefined ? "" : sectionOf(last);
}

/** Whether a line has nothing but words, where its neighbour above has a day. */
function goesOn(row: Row, before: Row | undefined, wordsAt: number): boolean {
  if (before === undefined || wordsAt < 0 || onlyWords(row.cells) !== wordsAt) return false;
  const plain = plainWords(row.cells[wordsAt] ?? "");
  return !isTotalWord(plain) && !isBalanceWords(plain);
}

const joined = (row: Row, next: Row, at: number): Row => ({
  ...row,
  cells: row.cells.with(at, `${row.cells[at] ?? ""} ${next.cells[at] ?? ""}`.trim()),
});
