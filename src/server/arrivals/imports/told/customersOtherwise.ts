import { type CustomerRecord, plainWords } from "@/core/formats";
import { nameWords } from "@/core/matching";
import { allCustomers, customerByExternalId } from "@/db/customers";
import type { CommandContext } from "@/server/runtime/context";

import { listOf } from "./entryOf";
import type { Renumbered } from "./numberedOtherwise";

/** Customers of a number that the book does not have, each with its number there. */
type OtherNumbers = {
  /** The book knows their numbers of the other program by now. */
  readonly known: Renumbered;
  /** They are called as one customer of the book, or have its e-mail, and no other of the file does. */
  readonly open: Renumbered;
};

type Called = Pick<CustomerRecord, "name" | "email">;

/** By what a customer of another program is found: what it is called, and how it is written to. */
const MARKS = [
  ({ name }: Called): string => plainWords(name),
  // The words that carry it, in whatever order: without `LLC` and `The`.
  ({ name }: Called): string => nameWords(name).sort().join(" "),
  ({ email }: Called): string => (email ?? "").trim().toLowerCase(),
] as const;

/** Customers that the book has under another number, as another program numbers them. */
export function customersOfOtherNumbers(
  ctx: CommandContext,
  rows: readonly CustomerRecord[],
): OtherNumbers {
  const own = new Set(rows.map(({ externalId }) => externalId));
  const others = allCustomers(ctx.db).filter(({ externalId }) => !own.has(externalId));
  const named = new Map<string, typeof others>();
  for (const other of others)
    for (const alias of other.aliases ?? []) listOf(named, alias).push(other);
  const finds = MARKS.map((mark) => finder(mark, others, rows));
  const [known, open] = [new Map<string, string>(), new Map<string, string>()];
  for (const row of rows) {
    const { externalId } = row;
    if (customerByExternalId(ctx.db, externalId)) continue;
    const before = (named.get(externalId) ?? []).find((other) => isCalledAs(other, row));
    if (before) known.set(externalId, before.externalId);
    const twin = before ? undefined : finds.map((find) => find(row)).find(isSaid);
    if (twin !== undefined) open.set(externalId, twin);
  }
  return { known, open };
}

const isSaid = (found: string | undefined): found is string => found !== undefined;

const isCalledAs = (other: Called, row: Called): boolean =>
  MARKS.some((mark) => mark(row) !== "" && mark(row) === mark(other));

/** How one customer is found among others by a mark that it shares with no other, here or there. */
function finder(
  mark: (one: Called) => string,
  others: readonly (Called & { externalId: string })[],
  rows: readonly CustomerRecord[],
): (row: CustomerRecord) => string | undefined {
  const [there, here] = [counted(others.map(mark)), counted(rows.map(mark))];
  const numbers = new Map(others.map((other) => [mark(other), other.externalId]));
  return (row) => {
    const said = mark(row);
    const isOne = said !== "" && there.get(said) === 1 && here.get(said) === 1;
    return isOne ? numbers.get(said) : undefined;
  };
}

function counted(words: readonly string[]): ReadonlyMap<string, number> {
  const counts = new Map<string, number>();
  for (const word of words) counts.set(word, (counts.get(word) ?? 0) + 1);
  return counts;
}
