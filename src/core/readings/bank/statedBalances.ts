import { plainWords } from "@/core/formats";
import { type Minor, minor } from "@/core/money";

import { type Reading, sumOfCell } from "../canonical";
import type { Row } from "../cells";
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
  const above = endsAbove(reading);
  const inRows = rows.flatMap((row) => {
    const balance = balanceIn(reading, row);
    return balance === null ? [] : [{ line: row.line, balance, end: endOfRow(row) }];
  });
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

const endOfRow = ({ cells }: Row): End | null =>
  cells.map((cell) => endOf(cell)).find((end) => end !== null) ?? null;

/** The balance that a line without a sum of its own states: in its column, or in whatever cell has a sum. */
function balanceIn(reading: Reading, row: Row): Minor | null {
  const day = reading.cells.of(row, MAIN_DAY[reading.cells.file.kind] ?? "");
  const own = sumOfCell(reading, row, "balance") !== null;
  const texts = own
    ? [reading.cells.of(row, "balance")]
    : row.cells.filter((cell) => cell.trim() !== day);
  const [found] = texts.flatMap((cell) => sumIn(reading, row, cell) ?? []);
  return found ? balanceOf(found) : null;
}

/** `DR` beside a balance is below zero. */
const balanceOf = ({ sum, isOwed }: { sum: Minor; isOwed: boolean }): Minor =>
  isOwed ? minor(-Math.abs(sum)) : sum;

const endsAbove = (reading: Reading): { end: End; balance: Minor }[] =>
  sumsAbove(reading).flatMap((found) => {
    const end = endOf(found.words);
    return end === null ? [] : [{ end, balance: balanceOf(found) }];
  });
