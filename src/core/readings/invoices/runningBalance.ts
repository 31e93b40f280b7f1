import { formatAmount } from "@/core/money";

import { type Reading, sumOfCell } from "../canonical";
import type { Row } from "../cells";
import type { Question } from "../types";

/** Lines that a balance has to run over before it can be told from what is open. */
const ENOUGH = 2;

/** A balance that goes on from all lines but one in so many is the account's with a line missing. */
const WHOLE_BUT = 10;

/** What a line adds to a customer's account: its total, or its debit less its credit. */
export function movementOf(reading: Reading, row: Row): number | null {
  const total = sumOfCell(reading, row, "total");
  if (total !== null) return total;
  const [debit, credit] = ["debit", "credit"].map((field) => sumOfCell(reading, row, field));
  if ((debit ?? null) === null && (credit ?? null) === null) return null;
  return Math.abs(debit ?? 0) - Math.abs(credit ?? 0);
}

/**
 * Whether the column of balances is the account's, that goes on from line to line, and not what of
 * each invoice is open: it follows on nearly everywhere, and somewhere is not the line's own sum.
 */
export function isRunning(reading: Reading, rows: readonly Row[]): boolean {
  const { cells } = reading;
  if (!cells.has("balance") || rows.length < ENOUGH) return false;
  const lines = rows.map((row) => ({
    customer: cells.of(row, "customerId"),
    moved: movementOf(reading, row),
    balance: sumOfCell(reading, row, "balance"),
  }));
  if (lines.some(({ moved, balance }) => moved === null || balance === null)) return false;
  const isRun = (order: typeof lines): boolean => {
    let [gone, broken] = [0, 0];
    for (const [at, line] of order.slice(1).entries()) {
      const before = order[at];
      const isNew = before?.customer !== line.customer && line.balance === line.moved;
      const isOn = (line.balance ?? 0) - (before?.balance ?? 0) === line.moved;
      if (!isNew && !isOn) broken += 1;
      if (isOn && line.balance !== line.moved) gone += 1;
    }
    return gone > broken && broken * WHOLE_BUT <= order.length;
  };
  return isRun(lines) || isRun([...lines].reverse());
}

/** Whether a running balance was said, or is still to be said, to be the account's. */
export const isAccounts = (reading: Reading, rows: readonly Row[]): boolean =>
  reading.cells.file.answers.running !== "open" && isRunning(reading, rows);

export function runningQuestion(reading: Reading, rows: readonly Row[]): Question[] {
  const [, row = rows[0]] = rows;
  if (!row || reading.cells.file.answers.running !== undefined || !isRunning(reading, rows))
    return [];
  const shown = (sum: number | null): string => formatAmount(sum ?? 0, reading.currencyOf(row));
  return [
    {
      key: "running",
      words: `“${reading.cells.head("balance")}” goes on from line to line, as the balance of an account does.`,
      choices: [
        {
          answer: "account",
          result: `it is the account's: each line is open in full (line ${row.line}: ${shown(movementOf(reading, row))})`,
        },
        {
          answer: "open",
          result: `it is what of each line is open (line ${row.line}: ${shown(sumOfCell(reading, row, "balance"))})`,
        },
      ],
    },
  ];
}
