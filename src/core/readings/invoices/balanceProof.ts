import { formatAmount, type Minor } from "@/core/money";

import { type Reading, sumOfCell } from "../canonical";
import { isAgreed, type Row } from "../cells";
import type { Question } from "../types";
import { openWithHeld } from "./emptyOpen";

/** What an invoice was made out for, what was taken off that, and what its line says is open. */
type Sums = { readonly total: number; readonly off: number; readonly open: number };
export type SumsOf = (row: Row) => { readonly total: Minor | null; readonly off: number };

/** The three sums of a line that says each of them. */
function sumsOn(reading: Reading, row: Row, sumsOf: SumsOf): Sums | null {
  const open = openWithHeld(reading, row);
  const { total, off } = sumsOf(row);
  const isSaid = ["paid", "credited"].some((field) => sumOfCell(reading, row, field) !== null);
  return open === null || total === null || !isSaid
    ? null
    : { total: Math.abs(total), off, open: Math.abs(open) };
}

const agrees = ({ total, off, open }: Sums): boolean => total - off === open;

/** Whether what was made out, less what was paid of it, is what is open, where columns say the three. */
export function balanceProof(reading: Reading, rows: readonly Row[], sumsOf: SumsOf): string[] {
  if (!hasThree(reading) || offLine(reading, rows, sumsOf) !== null) return [];
  const all = rows.filter((row) => sumsOn(reading, row, sumsOf) !== null).length;
  return all === 0
    ? []
    : [`total less paid is the balance on ${all === rows.length ? `all ${all}` : all} lines`];
}

const hasThree = ({ cells }: Reading): boolean => cells.has("balance") && cells.has("paid");

/** The first line whose three sums do not agree. */
function offLine(
  reading: Reading,
  rows: readonly Row[],
  sumsOf: SumsOf,
): { row: Row; sums: Sums; count: number } | null {
  const off = rows.flatMap((row) => {
    const sums = sumsOn(reading, row, sumsOf);
    return sums === null || agrees(sums) ? [] : [{ row, sums }];
  });
  return off[0] ? { ...off[0], count: off.length } : null;
}

/** What is open where total less paid is something else than the balance that stands beside them. */
export function openOfThree(reading: Reading, rows: readonly Row[], sumsOf: SumsOf): Question[] {
  const { answers } = reading.cells.file;
  if (!hasThree(reading) || isAgreed(reading.cells) || answers.three !== undefined) return [];
  const found = offLine(reading, rows, sumsOf);
  if (found === null) return [];
  const { row, sums, count } = found;
  const shown = (sum: number): string => formatAmount(sum, reading.currencyOf(row));
  const { total, off, open } = sums;
  return [
    {
      key: "three",
      words: `What is open and what was paid are not the total of ${count === 1 ? "1 line" : `${count} lines`} (line ${row.line}: ${shown(open)} and ${shown(off)} of ${shown(total)}). What is open?`,
      choices: [
        {
          answer: "balance",
          result: `the balance: ${shown(open)}, and ${shown(total - open)} counts as paid`,
        },
        {
          answer: "rest",
          result: `what is left of the total: ${shown(total - off)}, and ${shown(off)} counts as paid`,
        },
      ],
    },
  ];
}
