import { type Day } from "@/core/calendar";
import { add, type Currency, minor, type Minor } from "@/core/money";

import { type RowReader } from "./rows";

export type BankRecord = {
  line: number;
  externalId: string;
  /** The identity that it was known by before, which held its balance too; null with an id of the bank's own. */
  formerId: string | null;
  postedOn: Day;
  currency: Currency;
  amount: Minor;
  description: string;
  balance: Minor | null;
};

/**
 * One line of a bank statement; money in is positive. Without an id of the
 * bank's own, day, sum, words and how often they came that day are its identity,
 * so that an overlapping statement adds nothing, with a running balance or without. `seen` counts
 * within the file.
 */
export function readBankLine(row: RowReader, seen: Map<string, number>): BankRecord | null {
  row.needed("postedOn");
  const postedOn = row.day("postedOn");
  const currency = row.currency("currency");
  const amount = signedAmount(row, currency);
  const balance = row.amount("balance", currency);
  if (row.problems.length > 0 || postedOn === null) return null;
  if (amount === null) row.refuse("amount", { code: "field.empty", field: "amount" });
  if (amount === 0) row.refuse("amount", { code: "bank.zero" });
  const description = row.text("description").replace(/\s+/g, " ");
  const said = [postedOn, amount, description.toLowerCase()].join("|");
  const own = row.text("id");
  const balanced = `${said}|${balance ?? ""}`;
  return {
    line: row.line,
    externalId: own || `${said}|${counted(seen, said)}`,
    formerId: own === "" ? `${balanced}|${counted(seen, `balanced ${balanced}`)}` : null,
    postedOn,
    currency,
    amount: amount ?? minor(0),
    description,
    balance,
  };
}

/** How often a line came so far, this time included. */
function counted(seen: Map<string, number>, said: string): number {
  const nth = (seen.get(said) ?? 0) + 1;
  seen.set(said, nth);
  return nth;
}

/** The sum as it is written, or what the columns of money in and money out make; null without any. */
function signedAmount(row: RowReader, currency: Currency): Minor | null {
  const written = row.amount("amount", currency);
  const moneyIn = row.amount("moneyIn", currency);
  const moneyOut = row.amount("moneyOut", currency);
  if (written !== null || (moneyIn === null && moneyOut === null)) return written;
  return add(Math.abs(moneyIn ?? 0), -Math.abs(moneyOut ?? 0));
}
