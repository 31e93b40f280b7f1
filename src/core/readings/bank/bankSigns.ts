import { type Currency, formatAmount, type Minor, minor, negate } from "@/core/money";

import { byBalance, type Chain, chainOf } from "./bankChain";
import {
  againstWords,
  balanceBroken,
  brokenWords,
  firstOpen,
  openSigns,
  openWays,
} from "./bankQuestions";
import { sidedReadings, SIDES } from "./sideSigns";
import type { Stated } from "./statedBalances";
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
  { ledgerHeads, stated }: { ledgerHeads: boolean; stated: Stated },
): BankSigns {
  const readings = readingsOf(rows, answers);
  const said = readings.filter(({ name }) => answers.signs === undefined || answers.signs === name);
  // With `DR` beside the balances both ways follow on: a bank's, overdrawn, and a ledger's.
  const isEither = ledgerHeads && rows.some(({ isOwed }) => isOwed);
  const balancesOf = ({ name }: Reading): Balances =>
    isEither && name === "turned" ? mirrored({ rows, stated }) : { rows, stated };
  const checked = said.map((reading) => {
    const balances = balancesOf(reading);
    return { reading, chain: chainOf(balances.rows, reading.sums, balances.stated) };
  });
  const byChain = checked.filter(({ chain }) => chain?.breaks === 0);
  const byThemselves = checked.filter(({ reading }) => reading.name !== SIDES);
  const spoken = byChain.length > 0 ? [] : bySaying(rows, byThemselves);
  const proven = [...byChain, ...spoken];
  const [best = checked[0]] = proven;
  const ways = [
    ...openWays(rows, answers, byChain.length > 0),
    ...(isEither || proven.length === 0
      ? openSigns(
          rows,
          said.filter(({ name }) => name !== SIDES),
          ledgerHeads,
        )
      : []),
  ];
  if (!best)
    return { ...NOTHING_READ, balances: rows.map(({ balance }) => balance), questions: ways };
  const { reading, chain } = best;
  const words = spoken.length > 0 ? ["what the lines say goes with the signs of their sums"] : [];
  return {
    sums: reading.sums.map((sum) => (sum === null ? null : minor(sum))),
    balances: withClosing(balancesOf(reading).rows, chain),
    // What a balance follows from is known once the way of each sum is.
    questions:
      ways.length > 0
        ? ways
        : [
            ...openBalance(rows, best, answers),
            ...(byChain.length > 0 ? [] : againstWords(rows, reading.sums, answers)),
          ],
    proofs: [...words, ...proofs(rows, chain)],
  };
}

const NOTHING_READ = { sums: [], proofs: [] };

/** The balance of each line; what the statement ends with is that of its latest, where its lines come to it. */
function withClosing(rows: readonly StatementRow[], chain: Chain | null): (Minor | null)[] {
  const balances = rows.map(({ balance }) => balance);
  if (chain?.breaks !== 0 || chain.to === null) return balances;
  const [first, last] = [rows[0], rows.at(-1)];
  const latest = (first?.on ?? "") > (last?.on ?? "") ? 0 : rows.length - 1;
  return balances.with(latest, balances[latest] ?? minor(chain.to));
}

type Balances = { readonly rows: readonly StatementRow[]; readonly stated: Stated };

/** The same as a ledger writes it: its debit is what the bank owes. */
const mirrored = ({ rows, stated }: Balances): Balances => ({
  rows: rows.map((row) => ({ ...row, balance: turned(row.balance) })),
  stated: {
    before: turned(stated.before),
    after: turned(stated.after),
    among: stated.among.map(({ line, balance }) => ({ line, balance: negate(balance) })),
  },
});

const turned = (sum: Minor | null): Minor | null => (sum === null ? null : negate(sum));

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
  ...(chain?.firstBreak && answers.balance === undefined
    ? [balanceBroken(chain.firstBreak, currencyIn(rows))]
    : []),
];

function readingsOf(rows: readonly StatementRow[], answers: Answers): Reading[] {
  const directed = rows.map((row) => directedSum(row, answers));
  const plain = answers.against === "words" ? directed : rows.map(plainSum);
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
    ...sidedReadings(rows, answers),
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
  const currency = currencyIn(rows);
  if (chain.firstBreak) return [brokenWords(chain.firstBreak, currency)];
  const to =
    chain.to === null ? "" : ` to the ${formatAmount(chain.to, currency)} that it ends with`;
  const lines =
    chain.upTo === rows.length ? `all ${rows.length}` : `${chain.upTo} of ${rows.length}`;
  return [`${lines} lines follow on from ${formatAmount(chain.from, currency)}${to}`];
}

const currencyIn = (rows: readonly StatementRow[]): Currency =>
  rows[0]?.currency ?? ("USD" as Currency);
