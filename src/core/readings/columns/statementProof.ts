import { plainWords } from "@/core/formats";

import { type Columns, ENOUGH, type Sheet, type Sums } from "./sheet";

/** The balance of a statement by what it follows from, where no column is called so or that one does not. */
export function statementProof(sheet: Sheet): Columns | null {
  const sides = { moneyIn: sheet.of("moneyIn"), moneyOut: sheet.of("moneyOut") };
  const { moneyIn, moneyOut } = sides;
  const named = sheet.of("balance");
  const sums = sheet.of("amount") ?? (moneyIn && moneyOut ? difference(moneyIn, moneyOut) : null);
  if (sums === null) return withoutSums(sheet, sides, named);
  if (named && followsOn(sums, named)) return null;
  const balance = sheet
    .free()
    .find((head) => followsOn(sums, sheet.under(head)) && isEnough(sums, head));
  return balance === undefined ? null : { balance };
}

/** A column that goes on from two lines to the third by chance is rare; from one to the next it is not. */
const isEnough = (sums: Sums, head: string): boolean =>
  sums.length > ENOUGH || BALANCE_HEAD.test(plainWords(head));
const BALANCE_HEAD = /\b(balance|bal|saldo|solde|stand|kontostand|standing)\b/;

type Sides = { readonly moneyIn: Sums | null; readonly moneyOut: Sums | null };

/** Where no column of sums is known, or one of two. */
function withoutSums(sheet: Sheet, sides: Sides, named: Sums | null): Columns | null {
  const hasSide = sides.moneyIn !== null || sides.moneyOut !== null;
  if (named) return hasSide ? otherSide(sheet, sides, named) : null;
  return hasSide ? null : unnamedTwo(sheet);
}

/** The only two columns of which one goes on by the other, where neither has a name. */
function unnamedTwo(sheet: Sheet): Columns | null {
  const free = sheet.free();
  const found = free.flatMap((amount) =>
    free
      .filter((balance) => balance !== amount && sheet.under(amount).length > ENOUGH)
      .filter((balance) => followsOn(sheet.under(amount), sheet.under(balance)))
      .map((balance) => ({ amount, balance })),
  );
  return found.length === 1 ? (found[0] ?? null) : null;
}

/** The column of what went out, or came in, beside the one that is known, by the balance. */
function otherSide(sheet: Sheet, { moneyIn, moneyOut }: Sides, named: Sums): Columns | null {
  const other = sheet.free().find((head) => {
    const sums = sheet.under(head);
    return followsOn(difference(moneyIn ?? sums, moneyOut ?? sums), named);
  });
  if (other === undefined) return null;
  return moneyIn === null ? { moneyIn: other } : { moneyOut: other };
}

const difference = (moneyIn: Sums, moneyOut: Sums): Sums =>
  moneyIn.map((sum, at) => Math.abs(sum ?? 0) - Math.abs(moneyOut[at] ?? 0));

/** Whether each balance is the one before it and the sum of its line, the latest first or last. */
function followsOn(sums: Sums, balances: Sums): boolean {
  if (sums.length <= ENOUGH - 1 || balances.some((balance) => balance === null)) return false;
  const moved = sums.filter((sum) => sum !== null && sum !== 0).length;
  const step = (at: number): number => (balances[at + 1] ?? 0) - (balances[at] ?? 0);
  const steps = [...Array(sums.length - 1).keys()];
  const forward = steps.every((at) => step(at) === (sums[at + 1] ?? 0));
  const back = steps.every((at) => -step(at) === (sums[at] ?? 0));
  const sizes = steps.every((at) => Math.abs(step(at)) === Math.abs(sums[at + 1] ?? 0));
  return moved >= ENOUGH && (forward || back || sizes);
}
