import { plainSum, type StatementRow } from "./statementRow";
import type { Answers } from "../types";

export type Chain = {
  readonly breaks: number;
  readonly firstBreak: number | null;
  readonly from: number;
};

/** How sums and running balance follow on, in the better of the two orders; null without balances. */
export function chainOf(
  rows: readonly StatementRow[],
  sums: readonly (number | null)[],
): Chain | null {
  if (rows.filter(({ balance }) => balance !== null).length < 2) return null;
  const forward = chainOver(rows.map((row, at) => ({ row, sum: sums[at] ?? 0 })));
  const back = chainOver(
    [...rows.keys()].reverse().map((at) => ({ row: rows[at] as StatementRow, sum: sums[at] ?? 0 })),
  );
  return forward.breaks <= back.breaks ? forward : back;
}

function chainOver(lines: readonly { row: StatementRow; sum: number }[]): Chain {
  let [breaks, firstBreak, from]: [number, number | null, number | null] = [0, null, null];
  let expected: number | null = null;
  for (const { row, sum } of lines) {
    if (expected !== null) expected += sum;
    if (row.balance === null) continue;
    from ??= row.balance - sum;
    if (expected !== null && expected !== row.balance) {
      breaks += 1;
      firstBreak ??= row.line;
    }
    expected = row.balance;
  }
  return { breaks, firstBreak, from: from ?? 0 };
}

/** Sizes with the sign that their balance gives them, where every line has one that fits. */
export function byBalance(
  rows: readonly StatementRow[],
  answers: Answers,
): (number | null)[] | null {
  for (const order of [[...rows], [...rows].reverse()]) {
    const signs = new Map<number, number>();
    const fits = order.slice(1).every((row, at) => {
      const [before, after, size] = [order[at]?.balance, row.balance, plainSum(row)];
      if (before === null || before === undefined || after === null || size === null) return false;
      if (Math.abs(after - before) !== Math.abs(size)) return false;
      signs.set(row.line, after - before);
      return true;
    });
    // The first line has none before it: its sign stays open unless it is no money.
    const first = order[0];
    if (fits && first && order.length > 1) {
      const size = plainSum(first) ?? 0;
      signs.set(first.line, answers.first === "out" ? -size : size);
      return rows.map((row) => signs.get(row.line) ?? null);
    }
  }
  return null;
}
