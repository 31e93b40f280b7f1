import { minor } from "@/core/money";

import type { Reading } from "../canonical";
import type { Row } from "../cells";
import { sureDirection } from "../rowWords";
import { chainOf } from "./bankChain";
import { plainSum, type StatementRow } from "./statementRow";

/**
 * A column of sides (`Dr`, `Cr`) beside columns of money in and out may be that of the balance: it is
 * where the balances follow on with it, and do not without. Below zero is what the bank has to get.
 */
export function sidedBalances(
  { cells }: Reading,
  rows: readonly Row[],
  statement: readonly StatementRow[],
): readonly StatementRow[] {
  const sums = statement.map(plainSum);
  if (chainOf(statement, sums)?.breaks === 0) return statement;
  const places = [
    ...cells.unread().map(({ at }) => at),
    ...[cells.file.table.headers.indexOf(cells.head("direction"))].filter((at) => at >= 0),
  ];
  for (const at of places) {
    const sides = rows.map((row) => sureDirection((row.cells[at] ?? "").trim()));
    if (!sides.includes(-1) || sides.includes(null)) continue;
    const sided = statement.map((row, nth): StatementRow => {
      const isOwed = sides[nth] === -1;
      const size = row.balance === null ? null : Math.abs(row.balance);
      return {
        ...row,
        word: at === cells.file.table.headers.indexOf(cells.head("direction")) ? "" : row.word,
        balance: size === null ? null : minor(isOwed ? -size : size),
        isOwed,
      };
    });
    if (chainOf(sided, sums)?.breaks === 0) return sided;
  }
  return statement;
}
