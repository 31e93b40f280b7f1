import { type FileKind, plainWords } from "@/core/formats";
import { type Currency, formatAmount } from "@/core/money";

import type { Row } from "../cells";
import { FOREIGN } from "../columns/foreignColumns";
import type { Question } from "../types";
import type { Around } from "./provenParts";
import { sumUnder, writtenSum } from "./sumCells";

/** The sum that a line is of, by kind of file. */
const MAIN: Partial<Record<FileKind, readonly string[]>> = {
  invoices: ["total", "balance"],
  processor: ["gross", "net"],
  bank: ["amount"],
};

/** Heads of sums in the currency of the books: those beside them are in that of their line. */
const OF_THE_BOOKS =
  /\b(home|local|base|functional|reporting|company|converted|equivalent|account currency|book)\b/;

/**
 * A sum that stands twice, in two currencies: the same on lines of the account's own, another on those
 * of others. Which of the two is in the currency of its line is asked.
 */
export function twoCurrencies(around: Around, currencyOf: (row: Row) => Currency): Question[] {
  const { cells, rows, context } = around;
  if (!cells.has("currency") || cells.file.answers.currencies !== undefined) return [];
  const foreign = rows.filter((row) => currencyOf(row) !== context.currency);
  const own = rows.filter((row) => currencyOf(row) === context.currency);
  if (foreign.length === 0 || own.length === 0) return [];
  const heads = cells
    .unread()
    .filter(({ head }) => !OF_THE_BOOKS.test(plainWords(head)) && !head.includes(context.currency));
  const open = (MAIN[cells.file.kind] ?? []).filter(
    (field) => !FOREIGN.test(plainWords(cells.head(field))),
  );
  const pairs = open.flatMap((field) =>
    heads.map((other) => ({
      heads: [cells.head(field), other.head] as const,
      of: (row: Row): Sums => [
        valueIn(around, cells.of(row, field), currencyOf(row)),
        valueIn(around, (row.cells[other.at] ?? "").trim(), currencyOf(row)),
      ],
    })),
  );
  const twice = pairs.find(
    ({ of }) =>
      own.every((row) => isSame(of(row))) &&
      foreign.every((row) => hasBoth(of(row))) &&
      foreign.some((row) => !isSame(of(row))),
  );
  const line = foreign.find((row) => twice && !isSame(twice.of(row)));
  if (!twice || !line) return [];
  const pair = { heads: twice.heads, sums: twice.of(line), line: line.line };
  return [question(around, { ...pair, currency: currencyOf(line) })];
}

type Sums = readonly [number, number];

const isSame = ([a, b]: Sums): boolean => a === b && a !== 0;
const hasBoth = ([a, b]: Sums): boolean => a !== 0 && b !== 0;
function valueIn({ reading }: Around, cell: string, currency: Currency): number {
  const written = writtenSum(cell);
  return (written && sumUnder(written, { ...reading, currency })) ?? 0;
}

type Pair = {
  readonly heads: readonly [string, string];
  readonly sums: Sums;
  readonly line: number;
  readonly currency: Currency;
};

function question({ context }: Around, { heads, sums, line, currency }: Pair): Question {
  const [first, second] = sums.map((sum) => formatAmount(sum, currency));
  return {
    key: "currencies",
    words: `Line ${line} is in ${currency}, with ${first} in “${heads[0]}” and ${second} in “${heads[1]}”. One of them is in ${context.currency}. Which is it? Choose the other column for the sum if “${heads[1]}” is right.`,
    choices: [
      {
        answer: "line",
        result: `“${heads[0]}” is in the currency of its line: ${currency} ${first}`,
      },
      {
        answer: "own",
        result: `“${heads[0]}” is in ${context.currency} on every line: ${context.currency} ${first}`,
      },
    ],
  };
}
