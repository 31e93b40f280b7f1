import { minor, type Minor } from "@/core/money";
import type { PracticeStore } from "@/db/practice";
import type { PracticeLine } from "@/db/practiceTables";

import { american, sum } from "./csv";
import { payoutIdOf } from "./payouts";
import { termsOf } from "./terms";

/** A row of what happened, with what its column takes from it. */
type Row = { line: PracticeLine; fee: Minor; brand: string; account: string; currency: string };
type Column = readonly [head: string, cell: (row: Row) => string];

const money = (row: Row, amount: number): string => sum(amount, row.currency as never);
const dayOr = (day: PracticeLine["answerBy"]): string => day ?? "";
const sentence = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
const payout = ({ line, account }: Row): string =>
  line.paidOutOn ? payoutIdOf(account, line.paidOutOn) : "";

const SUMS: readonly Column[] = [
  ["Gross", (row) => money(row, row.line.amount)],
  ["Fee", (row) => money(row, row.fee)],
  ["Net", (row) => money(row, row.line.amount - row.fee)],
  ["Payer", ({ line }) => line.payer],
  ["Email", ({ line }) => line.email],
  ["Memo", ({ line }) => line.memo],
  ["Payout id", payout],
];

/** One row a charge, its fee and net beside it. */
export const NET: readonly Column[] = [
  ["Id", ({ line }) => line.id],
  ["Type", ({ line }) => sentence(line.type)],
  ["Date", ({ line }) => american(line.onDay)],
  ...SUMS,
  ["Original id", ({ line }) => line.related],
  ["Card brand", ({ brand }) => brand],
  ["Answer by", ({ line }) => (line.answerBy ? american(line.answerBy) : "")],
];

/** The same with its currency, and the days of settlement and payout. */
export const DATED: readonly Column[] = [
  ["Id", ({ line }) => line.id],
  ["Type", ({ line }) => sentence(line.type)],
  ["Date", ({ line }) => line.onDay],
  ["Settled", ({ line }) => line.settledOn],
  ["Currency", ({ currency }) => currency],
  ...SUMS,
  ["Payout date", ({ line }) => dayOr(line.paidOutOn)],
];

/** What has no row of its own: a fee stands with its charge, a payout is named by what is in it. */
const BESIDE = new Set(["fee", "payout", "dispute fee"]);

/**
 * An account's file with a row for each charge, and for each that went back. What a dispute costs is
 * in none of them: it is seen by what reaches the bank.
 */
export function chargeRows(
  store: PracticeStore,
  account: string,
  { lines, columns }: { lines: readonly PracticeLine[]; columns: readonly Column[] },
): string[][] {
  const { currency } = termsOf(store, account);
  const fees = new Map(
    lines.filter(({ type }) => type === "fee").map(({ related, amount }) => [related, amount]),
  );
  const rows = lines
    .filter(({ type }) => !BESIDE.has(type))
    .map((line): Row => {
      const fee = minor(-(fees.get(line.id) ?? 0));
      const charge = line.related === "" ? store.charge(line.id) : undefined;
      const brand = charge ? (store.method(charge.token)?.name ?? "") : "";
      return { line, fee, brand, account, currency };
    });
  return [
    columns.map(([head]) => head),
    ...rows.map((row) => columns.map(([, cell]) => cell(row))),
  ];
}
