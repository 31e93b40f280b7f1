import type { Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

import { sureDirection } from "../rowWords";
import type { Answers } from "../types";

/** A line of a statement with its sums as they are written. */
export type StatementRow = {
  readonly line: number;
  readonly on: Day | null;
  readonly currency: Currency;
  readonly amount: Minor | null;
  /** `CR` or `DR` beside the sum. */
  readonly side: "credit" | "debit" | null;
  readonly moneyIn: Minor | null;
  readonly moneyOut: Minor | null;
  readonly balance: Minor | null;
  /** Whether `DR` stands beside the balance: a bank's is overdrawn then, a ledger's is not. */
  readonly isOwed: boolean;
  readonly description: string;
  /** The word in a column of directions. */
  readonly word: string;
  /** The way of the money by the code of its line; null where none says it. */
  readonly coded: 1 | -1 | null;
};

/** One way to read the sums of a statement. */
export type Reading = { readonly name: string; readonly sums: readonly (number | null)[] };

/** The sum of a line as it is written, columns of money in and out as one. */
export const plainSum = ({ amount, moneyIn, moneyOut }: StatementRow): number | null => {
  if (amount !== null) return amount;
  if (!moneyIn && !moneyOut) return moneyIn ?? moneyOut;
  return Math.abs(moneyIn ?? 0) - Math.abs(moneyOut ?? 0);
};

/** Which way a line went by the word or the letters beside its sum; null where neither says. */
export function directionOf({ word, side }: StatementRow, answers: Answers): 1 | -1 | null {
  if (side !== null) return side === "credit" ? 1 : -1;
  const said = answers[`word:${word.toLowerCase()}`];
  if (said === "in") return 1;
  if (said === "out") return -1;
  return word === "" ? null : sureDirection(word);
}

/** Whether what goes out stands below zero and what comes in above it: no ledger writes its debits so. */
export const areEffects = (rows: readonly StatementRow[]): boolean => {
  const out = rows.flatMap(({ moneyOut }) => moneyOut || []);
  const into = rows.flatMap(({ moneyIn }) => moneyIn || []);
  return (
    out.length > 0 && into.length > 0 && out.every((sum) => sum < 0) && into.every((sum) => sum > 0)
  );
};
