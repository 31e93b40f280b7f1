import { plainSum, type Reading, type StatementRow } from "./statementRow";
import type { Answers } from "../types";

/** The name of these readings: nothing but a balance proves one, and no answer names it. */
export const SIDES = "sides";

type Side = "moneyIn" | "moneyOut";

/**
 * Readings of a statement with a column for each way of which one holds sums of both signs: what came
 * back on its side has the other sign. Either each column has its usual sign, or all are as they stand.
 * Which it is a balance has to say; without one it is asked (`sides`).
 */
export function sidedReadings(rows: readonly StatementRow[], answers: Answers): Reading[] {
  if (answers.sides !== undefined) return [];
  const usual = { moneyIn: usualSign(rows, "moneyIn"), moneyOut: usualSign(rows, "moneyOut") };
  const isMixed = rows.some(
    (row) => isOther(row, "moneyIn", usual) || isOther(row, "moneyOut", usual),
  );
  if (!isMixed) return [];
  const sumsBy = (signs: Readonly<Record<Side, number>>): Reading => ({
    name: SIDES,
    sums: rows.map((row) =>
      row.amount !== null || (!row.moneyIn && !row.moneyOut)
        ? plainSum(row)
        : signs.moneyIn * (row.moneyIn ?? 0) - signs.moneyOut * (row.moneyOut ?? 0),
    ),
  });
  return [sumsBy(usual), sumsBy({ moneyIn: 1, moneyOut: 1 })];
}

/** The sign that most sums of a side have; of as many of both that of the first. */
function usualSign(rows: readonly StatementRow[], side: Side): 1 | -1 {
  const signs = rows.map((row) => Math.sign(row[side] ?? 0)).filter((sign) => sign !== 0);
  const most = signs.reduce((sum, sign) => sum + sign, 0) || (signs[0] ?? 1);
  return most < 0 ? -1 : 1;
}

const isOther = (row: StatementRow, side: Side, usual: Readonly<Record<Side, number>>): boolean =>
  Math.sign(row[side] ?? 0) === -usual[side];
