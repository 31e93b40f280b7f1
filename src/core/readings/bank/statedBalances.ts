import type { Day } from "@/core/calendar";
import { plainWords } from "@/core/formats";
import { type Minor, minor } from "@/core/money";

import { type Reading, sumOfCell } from "../canonical";
import type { Row } from "../cells";
import { dayUnder } from "../days/dayUnder";
import { daysIn } from "../days/ownSpan";
import { MAIN_DAY, screenRow } from "../lines/rowsLeftOut";
import { sumIn, sumsAbove } from "../sums/sumsAbove";

/** What a statement says it begins and ends with, and balances that stand among its lines as lines of their own. */
export type Stated = {
  readonly before: Minor | null;
  readonly after: Minor | null;
  readonly among: readonly { readonly line: number; readonly balance: Minor }[];
};

/** Where nothing is said. */
export const NOTHING_STATED: Stated = { before: null, after: null, among: [] };

type End = "before" | "after";

/** Words of the balance at either end of a statement, in six languages (common practice, no source). */
const BEFORE =
  /^(?:(?:opening|beginning|starting|previous|prior) (?:ledger |account |book )?(?:balance|bal)|balance (?:brought )?forward|anfangssaldo|anfangsbestand|alter (?:konto)?saldo|solde (?:initial|precedent|anterieur)|saldo (?:inicial|anterior|iniziale|precedente)|beginsaldo)\b|^(?:opening|beginning|brought forward)$/;
const AFTER =
  /^(?:(?:closing|ending|final) (?:ledger |account |book )?(?:balance|bal)|balance carried forward|endsaldo|endbestand|neuer (?:konto)?saldo|solde final|saldo (?:final|finale)|eindsaldo)\b|^(?:closing|ending|carried forward)$/;

function endOf(words: string): End | null {
  const plain = plainWords(words);
  if (BEFORE.test(plain)) return "before";
  return AFTER.test(plain) ? "after" : null;
}

/**
 * The balances that a statement states, above its list or among its lines. What several lines say of
 * one end is that of a part of it, and is held against the lines that it stands between.
 * @param lines The lines of the account that is taken in: balances of others are none of its own.
 */
export function statedBalances(reading: Reading, lines: readonly Row[]): Stated {
  const { cells } = reading;
  const accountOf = (row: Row): string => cells.of(row, "account");
  const own = new Set(lines.map(accountOf));
  const taken = new Set(lines);
  const all = cells.file.table.rows;
  const rows = all.filter(
    (row, at) =>
      !taken.has(row) &&
      (own.has(accountOf(row)) || accountOf(row) === "") &&
      screenRow(cells, row, at === 0, at === all.length - 1) === "balance",
  );
  const [above, inRows] = dated(reading, endsAbove(reading), rowsOf(reading, rows));
  const endsAt = (end: End): Minor[] => [
    ...above.filter((found) => found.end === end).map(({ balance }) => balance),
    ...inRows.filter((found) => found.end === end).map(({ balance }) => balance),
  ];
  const [before, after] = [endsAt("before"), endsAt("after")];
  const isOnce = new Set(before).size <= 1 && new Set(after).size <= 1;
  return {
    before: isOnce ? (before[0] ?? null) : null,
    after: isOnce ? (after[0] ?? null) : null,
    among: inRows.filter(({ end }) => !isOnce || end === null),
  };
}

const rowsOf = (reading: Reading, rows: readonly Row[]): OfLine[] =>
  rows.flatMap((row) => {
    const balance = balanceIn(reading, row);
    const words = row.cells.join(" ");
    return balance === null ? [] : [{ line: row.line, balance, end: endOfRow(row), words }];
  });

type Said = { readonly end: End | null; readonly balance: Minor; readonly words: string };
type OfLine = Said & { readonly line: number };

/** Two balances that say no end but a day each: the earlier is that before the lines. */
function dated(
  reading: Reading,
  above: readonly Said[],
  rows: readonly OfLine[],
): [readonly Said[], readonly OfLine[]] {
  const [one, other, ...more] = [...above, ...rows].filter(({ end }) => end === null);
  const [first, second] = [one, other].map((said) => said && dayIn(reading, said.words));
  if (!first || !second || first === second || more.length > 0) return [above, rows];
  const earlier = first < second ? one : other;
  const ended = <T extends Said>(said: T): T =>
    said.end === null ? { ...said, end: (said as Said) === earlier ? "before" : "after" } : said;
  return [above.map(ended), rows.map(ended)];
}

function dayIn(reading: Reading, words: string): Day | null {
  const [written] = daysIn(words);
  return written ? dayUnder(written, reading.daysOf("")) : null;
}

const endOfRow = ({ cells }: Row): End | null =>
  cells.map((cell) => endOf(cell)).find((end) => end !== null) ?? null;

/** The columns that a balance stands in on a line of its own: its own, else those of what is moved. */
const HOLD_BALANCES = ["balance", "moneyIn", "moneyOut", "amount", "gross", "net"];

/** The balance that a line without a sum of its own states: in a column of sums, or in whatever cell has one. */
function balanceIn(reading: Reading, row: Row): Minor | null {
  const day = reading.cells.of(row, MAIN_DAY[reading.cells.file.kind] ?? "");
  const own = HOLD_BALANCES.find((field) => sumOfCell(reading, row, field) !== null);
  const texts = own
    ? [reading.cells.of(row, own)]
    : row.cells.filter((cell) => cell.trim() !== day);
  const [found] = texts.flatMap((cell) => sumIn(reading, row, cell) ?? []);
  return found ? balanceOf(found) : null;
}

/** `DR` beside a balance is below zero. */
const balanceOf = ({ sum, isOwed }: { sum: Minor; isOwed: boolean }): Minor =>
  isOwed ? minor(-Math.abs(sum)) : sum;

/** Words of a balance on a day, which may be that at either end. */
const ON_A_DAY = /^(?:kontostand|saldo|solde|balance|ledger balance)\b/;

const endsAbove = (reading: Reading): Said[] =>
  sumsAbove(reading).flatMap((found) => {
    const { words } = found;
    const end = endOf(words);
    const isDated = end === null && ON_A_DAY.test(plainWords(words)) && daysIn(words).length === 1;
    return end === null && !isDated ? [] : [{ end, balance: balanceOf(found), words }];
  });
