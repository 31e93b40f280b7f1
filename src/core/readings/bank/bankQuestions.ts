import { type Currency, formatAmount } from "@/core/money";

import { openWords } from "../grouped";
import type { Break } from "./bankChain";
import { directionOf, plainSum, type Reading, type StatementRow } from "./statementRow";
import { isLedgerWord } from "../rowWords";
import type { Answers, Question } from "../types";
import { likelyWay } from "./wayWords";

/** Words of the column of directions that say nothing sure, where the sums carry no sign. */
export function openWays(
  rows: readonly StatementRow[],
  answers: Answers,
  proven: boolean,
): Question[] {
  const plain = rows.map(plainSum);
  if (proven || plain.some((sum) => sum !== null && sum < 0)) return [];
  // Where some sums have a word beside them, one without it is not said to be the other way.
  const some = rows.some((row) => directionOf(row, answers) !== null);
  const isOpen = (row: StatementRow): boolean =>
    (row.amount ?? 0) > 0 && (row.word !== "" || some) && directionOf(row, answers) === null;
  const open = openWords(rows, (row) => (isOpen(row) ? row.word.toLowerCase() : null));
  return open.map(([word, lines]) => ({
    key: `word:${word}`,
    words: `${lines.length === 1 ? "1 line has" : `${lines.length} lines have`} ${word === "" ? "no word" : `“${word}”`} for the way of the money, and no sign. Did it come in or go out?`,
    choices: [
      { answer: "in", result: `line ${lines[0]?.line}: ${sumWords(lines[0], 1)} came in` },
      { answer: "out", result: `line ${lines[0]?.line}: ${sumWords(lines[0], -1)} went out` },
    ],
  }));
}

/** Lines whose word for the way of the money goes against the sign of their sum, where others go with it. */
export function againstWords(
  rows: readonly StatementRow[],
  sums: readonly (number | null)[],
  answers: Answers,
): Question[] {
  if (answers.against !== undefined) return [];
  const ways = rows.map((row, at) => (directionOf(row, answers) ?? 0) * Math.sign(sums[at] ?? 0));
  const at = ways.findIndex((way) => way < 0);
  const row = rows[at];
  const sum = sums[at] ?? 0;
  if (!row || !ways.some((way) => way > 0) || !sums.some((one) => (one ?? 0) < 0)) return [];
  const count = ways.filter((way) => way < 0).length;
  const word = row.word || (row.side === "credit" ? "CR" : "DR");
  return [
    {
      key: "against",
      words: `${count === 1 ? "1 line says" : `${count} lines say`} “${word}” and ${count === 1 ? "has" : "have"} a sum of the other sign (first line ${row.line}). Which is right?`,
      choices: [
        {
          answer: "sums",
          result: `the sign: line ${row.line}: ${sumWords(row, Math.sign(sum) as 1 | -1)}`,
        },
        {
          answer: "words",
          result: `the word: line ${row.line}: ${sumWords(row, -Math.sign(sum) as 1 | -1)}`,
        },
      ],
    },
  ];
}

const sumWords = (row: StatementRow | undefined, sign: 1 | -1): string =>
  row ? formatAmount(sign * Math.abs(plainSum(row) ?? 0), row.currency) : "";

const howMany = (sums: number): string =>
  sums === 1 ? "The only sum of the file has one" : `All ${sums} sums of the file have the same`;

const signWords = (
  sums: readonly number[],
  { eitherWay = false, mixed = false, coded = false },
): string => {
  if (coded)
    return "No sum has a sign. Beside them stand codes as banks report them: below 400 came in, above it went out. Is that so here?";
  if (eitherWay)
    return "A bank writes what goes out as debit, a ledger what comes in, and no balance says which this is.";
  return mixed
    ? "What the lines say goes against the signs of their sums, as on the list of a card, and no balance says which is right."
    : `${howMany(sums.length)} sign, and no balance says which way the money went.`;
};

/** Signs that nothing proves: sums of one sign alone, or columns whose names a ledger uses the other way. */
export function openSigns(
  rows: readonly StatementRow[],
  readings: readonly Reading[],
  ledgerHeads: boolean,
): Question[] {
  const [first, second] = readings;
  if (!first || !second) return [];
  // Words that only a bank writes, like in and out, leave nothing open.
  const accounting = rows.some(({ side, word }) => side !== null || isLedgerWord(word));
  if (first.name === "words" && !accounting) return [];
  const sums = first.sums.filter((sum): sum is number => sum !== null && sum !== 0);
  const mixed = sums.some((sum) => sum > 0) && sums.some((sum) => sum < 0);
  const eitherWay = ledgerHeads || first.name === "words";
  const spoken = rows.map(
    ({ description }, at) => (likelyWay(description) ?? 0) * (first.sums[at] ?? 0),
  );
  const isAgainst = spoken.filter((way) => way < 0).length > spoken.filter((way) => way > 0).length;
  const coded = first.name === "codes";
  if (sums.length === 0 || (mixed && !eitherWay && !isAgainst && !coded)) return [];
  const sample = rows.find(
    (row, at) => (plainSum(row) ?? 0) !== 0 && first.sums[at] !== second.sums[at],
  );
  return [
    {
      key: "signs",
      words: signWords(sums, { eitherWay, mixed, coded }),
      choices: [first, second].map(({ name, sums: all }) => {
        const sum = all[rows.findIndex((row) => row === sample)] ?? 0;
        return {
          answer: name,
          result: `line ${sample?.line ?? 0}: ${formatAmount(sum, sample?.currency ?? ("USD" as Currency))} ${sum > 0 ? "came in" : "went out"}`,
        };
      }),
    },
  ];
}

/** The line that no balance stands before: its way stays open. */
export function firstOpen(
  rows: readonly StatementRow[],
  reading: Reading,
  answers: Answers,
): Question[] {
  const at = oldestOf(rows, reading);
  const row = rows[at];
  if (!row || answers.first !== undefined || (plainSum(row) ?? 0) === 0) return [];
  return [
    {
      key: "first",
      words: `The balances show which way every sum goes but that of line ${row.line}, as nothing stands before it.`,
      choices: [
        { answer: "in", result: `${sumWords(row, 1)} came in` },
        { answer: "out", result: `${sumWords(row, -1)} went out` },
      ],
    },
  ];
}

/** The place of the line that the others follow on from. */
function oldestOf(rows: readonly StatementRow[], { sums }: Reading): number {
  const [first, second] = rows;
  if (!first || !second || first.balance === null || second.balance === null) return 0;
  return second.balance - first.balance === (sums[1] ?? 0) ? 0 : rows.length - 1;
}

/** Which balance is not what the lines before it come to. */
export function brokenWords({ line, said, come }: Break, currency: Currency): string {
  return line === null
    ? `the file says that it ends with ${formatAmount(said, currency)}, and its lines come to ${formatAmount(come, currency)}`
    : `the balance of line ${line} does not follow from what stands before it: ${formatAmount(said, currency)}, and not ${formatAmount(come, currency)}`;
}

/** Lines are missing, or read wrong: a balance is another than what comes of them. */
export function balanceBroken(found: Break, currency: Currency): Question {
  const words = brokenWords(found, currency);
  return {
    key: "balance",
    words: `${words.slice(0, 1).toUpperCase()}${words.slice(1)}. A line may be missing.`,
    choices: [{ answer: "take", result: "take the lines in as they stand" }],
  };
}
