import type { Day } from "@/core/calendar";
import type { BankRecord } from "@/core/formats";
import { type BankAccountRow, bankLinesBetween } from "@/db/bank";
import type { CommandContext } from "@/server/runtime/context";

import { listOf } from "./entryOf";

/** A line of a statement; one that continues a day of the book is none of those that stand there. */
export type StatementLine = BankRecord & { readonly continues?: true };

/** A line without an id of the bank's own, which is told by what it says, and its balance. */
type Balanced = {
  readonly id: string;
  readonly said: string;
  readonly amount: number;
  readonly balance: number;
};

/**
 * A statement that ends within a day is continued by the next: a line there may say the same as one
 * before it and be another. The balances tell, where the lines of both are one chain that begins
 * elsewhere than the file does: then a line is that of the book which has its balance, and any other is
 * counted after those of the book. Else the nth that says the same on a day is the nth.
 */
export function withContinuedDays(
  { db }: CommandContext,
  account: BankAccountRow,
  rows: readonly BankRecord[],
): readonly StatementLine[] {
  const days = rows.map(({ postedOn }) => postedOn).sort();
  const cut = new Set([days[0], days.at(-1)].filter((day): day is Day => day !== undefined));
  const found = new Map<BankRecord, StatementLine>();
  for (const day of cut) {
    const own = rows.filter(({ postedOn }) => postedOn === day);
    const there = bankLinesBetween(db, account.id, [day, day]).map(
      ({ balanceAfter: balance, ...line }) => ({ ...line, balance }),
    );
    continueDay(own, balancedOf(there), found);
  }
  return found.size === 0 ? rows : rows.map((row) => found.get(row) ?? row);
}

function continueDay(
  rows: readonly BankRecord[],
  there: readonly Balanced[],
  found: Map<BankRecord, StatementLine>,
): void {
  const here = balancedOf(rows);
  if (here.length === 0 || there.length === 0) return;
  const [free, counts] = [new Map<string, string[]>(), new Map<string, number>()];
  for (const line of there) {
    listOf(free, keyOf(line)).push(line.id);
    counts.set(line.said, (counts.get(line.said) ?? 0) + 1);
  }
  const ids = here.map((line) => listOf(free, keyOf(line)).shift());
  const fresh = here.filter((_, at) => ids[at] === undefined);
  if (fresh.length === 0 || !isContinued(here, there, fresh)) return;
  rows.forEach((row, at) => {
    const id = ids[at];
    if (id !== undefined) {
      found.set(row, { ...row, externalId: id });
      return;
    }
    const said = here[at]?.said ?? "";
    const nth = (counts.get(said) ?? 0) + 1;
    counts.set(said, nth);
    found.set(row, { ...row, externalId: `${said}${nth}`, formerId: null, continues: true });
  });
}

const keyOf = ({ said, balance }: Balanced): string => `${said}${balance}`;

/**
 * Whether lines of a file that the book does not have join the chains of those that it has. What begins
 * where the book does is the whole day once more, perhaps in another order.
 */
function isContinued(
  here: readonly Balanced[],
  there: readonly Balanced[],
  fresh: readonly Balanced[],
): boolean {
  const [begin, ...others] = beginsOf(here);
  const chains = beginsOf(there);
  if (begin === undefined || others.length > 0 || chains.includes(begin)) return false;
  return beginsOf([...there, ...fresh]).length <= chains.length;
}

/** The balances that lines begin from, but for those at which another ends. */
function beginsOf(lines: readonly Balanced[]): number[] {
  const begins = lines.map(({ amount, balance }) => balance - amount);
  for (const { balance } of lines) {
    const at = begins.indexOf(balance);
    if (at >= 0) begins.splice(at, 1);
  }
  return begins;
}

/** Lines with their balances; none where one has no balance, or an id of the bank's own. */
function balancedOf(
  lines: readonly Pick<BankRecord, "externalId" | "postedOn" | "amount" | "balance">[],
): Balanced[] {
  const found = lines.flatMap(({ externalId, postedOn, amount, balance }) =>
    balance === null || !externalId.startsWith(`${postedOn}|`)
      ? []
      : [{ id: externalId, said: saidIn(externalId), amount, balance }],
  );
  return found.length === lines.length ? found : [];
}

/** What a line says, without how often it came that day. */
const saidIn = (externalId: string): string => externalId.slice(0, externalId.lastIndexOf("|") + 1);
