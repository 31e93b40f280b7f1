import type { Minor } from "@/core/money";

import { NOTHING_STATED, type Stated } from "./statedBalances";
import { plainSum, type StatementRow } from "./statementRow";
import type { Answers } from "../types";

export type Chain = {
  readonly breaks: number;
  readonly firstBreak: Break | null;
  /** The balance before the first line. */
  readonly from: number;
  /** How many lines there are up to the last balance: what comes after it leads nowhere. */
  readonly upTo: number;
  /** The balance that the statement says it ends with; null where it says none. */
  readonly to: Minor | null;
};

/** A balance that is another than what comes of the one before it; the one that ends a statement has no line. */
export type Break = { readonly line: number | null; readonly said: number; readonly come: number };

/** A line by what it moves and the balance after it, or a balance that stands alone. */
type Link = {
  readonly line: number | null;
  readonly sum: number;
  readonly balance: number | null;
  readonly isStated?: true;
};

/**
 * How sums and balances follow on, in the better of the two orders: those that run beside the lines, and
 * those that are stated. Null where there are less than two.
 */
export function chainOf(
  rows: readonly StatementRow[],
  sums: readonly (number | null)[],
  { before, after, among }: Stated = NOTHING_STATED,
): Chain | null {
  const lines = rows.map(({ line, balance }, at) => ({ line, sum: sums[at] ?? 0, balance }));
  const links: (Link & { line: number })[] = [
    ...lines,
    ...among.map((stated) => ({ ...stated, sum: 0, isStated: true as const })),
  ];
  if (among.length > 0) links.sort((a, b) => a.line - b.line);
  const [start, end] = [before, after].map((balance): Link[] =>
    balance === null ? [] : [{ line: null, sum: 0, balance, isStated: true }],
  ) as [Link[], Link[]];
  const all = [...start, ...links, ...end];
  if (all.filter(({ balance }) => balance !== null).length < 2) return null;
  const forward = chainOver(all);
  const back = chainOver([...start, ...links.reverse(), ...end]);
  return { ...(forward.breaks <= back.breaks ? forward : back), to: after };
}

function chainOver(links: readonly Link[]): Omit<Chain, "to"> {
  let [breaks, firstBreak, from]: [number, Break | null, number | null] = [0, null, null];
  let expected: number | null = null;
  // Lines before the first balance are part of what led to it.
  let moved = 0;
  let [upTo, count] = [0, 0];
  for (const { line, sum, balance, isStated } of links) {
    moved += sum;
    if (isStated !== true) count += 1;
    if (expected !== null) expected += sum;
    if (balance === null) continue;
    upTo = count;
    from ??= balance - moved;
    if (expected !== null && expected !== balance) {
      breaks += 1;
      firstBreak ??= { line, said: balance, come: expected };
    }
    expected = balance;
  }
  return { breaks, firstBreak, from: from ?? 0, upTo };
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
