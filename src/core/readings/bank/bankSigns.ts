import { type Currency, formatAmount, type Minor, minor, negate } from "@/core/money";

import { byBalance, type Chain, chainOf } from "./bankChain";
import { balanceBroken, firstOpen, openSigns, openWays } from "./bankQuestions";
import { directionOf, plainSum, type Reading, type StatementRow } from "./statementRow";
import type { Answers, Question } from "../types";
import { likelyWay } from "./wayWords";

export type BankSigns = {
  /** Signed sums, money in positive; null where a line has none. */
  readonly sums: readonly (Minor | null)[];
  readonly balances: readonly (Minor | null)[];
  readonly questions: readonly Question[];
  readonly proofs: readonly string[];
};

/**
 * Which way the sums of a statement go. The readings are: as they are signed, the other way round,
 * by the word beside them, or by the running balance alone. A balance that follows on proves one.
 */
export function bankSigns(
  rows: readonly StatementRow[],
  answers: Answers,
  ledgerHeads: boolean,
): BankSigns {
  const readings = readingsOf(rows, answers);
  const said = readings.filter(({ name }) => answers.signs === undefined || answers.signs === name);
  // With `DR` beside the balances both ways follow on: a bank's, overdrawn, and a ledger's.
  const isEither = ledgerHeads && rows.some(({ isOwed }) => isOwed);
  const rowsOf = ({ name }: Reading): readonly StatementRow[] =>
    isEither && name === "turned" ? mirrored(rows) : rows;
  const checked = said.map((reading) => ({
    reading,
    chain: chainOf(rowsOf(reading), reading.sums),
  }));
  const byChain = checked.filter(({ chain }) => chain?.breaks === 0);
  const spoken = byChain.length > 0 ? [] : bySaying(rows, checked);
  const proven = [...byChain, ...spoken];
  const [best = checked[0]] = proven;
  const sums = best ? best.reading.sums.map((sum) => (sum === null ? null : minor(sum))) : [];
  const asksSigns = isEither || proven.length === 0;
  const questions = [
    ...openWays(rows, answers, byChain.length > 0),
    ...(asksSigns ? openSigns(rows, said, ledgerHeads) : []),
    ...(best ? openBalance(rows, best, answers) : []),
  ];
  const words = spoken.length > 0 ? ["what the lines say goes with the signs of their sums"] : [];
  const balances = (best ? rowsOf(best.reading) : rows).map(({ balance }) => balance);
  return { sums, balances, questions, proofs: [...words, ...proofs(rows, best?.chain ?? null)] };
}

/** The same as a ledger writes it: its debit is what the bank owes. */
const mirrored = (rows: readonly StatementRow[]): StatementRow[] =>
  rows.map((row) => ({ ...row, balance: row.balance === null ? null : negate(row.balance) }));

/** Lines whose words go with a reading's signs, at the least. */
const ENOUGH_SAYING = 2;

/**
 * The reading that no line's words speak against and some speak for, where it is the only one. Sums
 * of one sign alone may be sizes: then every line has to speak for itself.
 */
function bySaying(rows: readonly StatementRow[], checked: readonly Checked[]): Checked[] {
  const spoken = rows.flatMap(({ description }, at) => {
    const way = likelyWay(description);
    return way === null ? [] : [{ way, at }];
  });
  const fits = checked.filter(({ reading }) =>
    spoken.every(({ way, at }) => Math.sign(reading.sums[at] ?? 0) === way),
  );
  const signs = new Set(checked[0]?.reading.sums.map((sum) => Math.sign(sum ?? 0)));
  const enough = signs.has(1) && signs.has(-1) ? ENOUGH_SAYING : rows.length;
  return spoken.length >= enough && fits.length === 1 ? fits : [];
}

type Checked = { readonly reading: Reading; readonly chain: Chain | null };

const openBalance = (
  rows: readonly StatementRow[],
  { reading, chain }: Checked,
  answers: Answers,
): Question[] => [
  ...(reading.name === "balance" ? firstOpen(rows, reading, answers) : []),
  ...(chain && chain.breaks > 0 ? balanceBroken(chain, answers) : []),
];

function readingsOf(rows: readonly StatementRow[], answers: Answers): Reading[] {
  const directed = rows.map((row) => directedSum(row, answers));
  const plain = rows.map(plainSum);
  const turned = plain.map((sum) => (sum === null ? null : -sum));
  const isDirected = rows.some(
    (row, at) => row.side !== null || (directionOf(row, answers) !== null && directed[at] !== null),
  );
  const oneSided = !plain.some((sum) => sum !== null && sum < 0);
  // A word beside sums that carry no sign of their own says which way they go.
  if (isDirected && oneSided)
    return [
      { name: "words", sums: directed },
      { name: "turned", sums: directed.map((sum) => (sum === null ? null : -sum)) },
    ];
  const isCoded = oneSided && rows.every(({ coded }) => coded !== null);
  if (isCoded)
    return [
      {
        name: "codes",
        sums: rows.map(({ coded }, at) => (coded ?? 1) * Math.abs(plain[at] ?? 0)),
      },
      { name: "signed", sums: plain },
    ];
  const balanced = oneSided ? byBalance(rows, answers) : null;
  return [
    ...(balanced ? [{ name: "balance", sums: balanced }] : []),
    { name: "signed", sums: plain },
    { name: "turned", sums: turned },
  ];
}

const directedSum = (row: StatementRow, answers: Answers): number | null => {
  const plain = plainSum(row);
  const direction = directionOf(row, answers);
  return plain === null || direction === null ? plain : direction * Math.abs(plain);
};

function proofs(rows: readonly StatementRow[], chain: Chain | null): string[] {
  if (!chain) return [];
  const currency = rows[0]?.currency ?? ("USD" as Currency);
  return chain.breaks === 0
    ? [`all ${rows.length} lines follow on from ${formatAmount(chain.from, currency)}`]
    : [`the balance of line ${chain.firstBreak ?? 0} does not follow from the line before it`];
}
