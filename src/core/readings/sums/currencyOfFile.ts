import { type Currency, currencyOf } from "@/core/money";

import { type Cells, type Row, some } from "../cells";
import { currencyColumn } from "./currencyColumn";
import { currencyHeads, headsAgainst } from "./currencyHeads";
import { currencyAbove } from "./currencyAbove";
import { isShared, type SharedSign, sharedSign } from "./currencySigns";
import { writtenSum } from "./sumCells";
import { sumFields } from "./sumFields";
import type { Question, ReadingContext } from "../types";

type Money = { currencyOf: (row: Row) => Currency; questions: Question[] };

/** The currency of each row: its column, the sign in its cells, a head or what stands above it, else the account's. */
export function currencyFinder(cells: Cells, rows: readonly Row[], context: ReadingContext): Money {
  const heads = currencyHeads(cells).map(({ currency }) => currency);
  const inHead = new Set(heads).size === 1 ? heads[0] : currencyAbove(cells.file.table);
  const fields = sumFields(cells);
  // Most files write no currency beside their sums: then no row is looked at for one.
  const marked = rows.some((row) =>
    fields.some((field) => (writtenSum(cells.of(row, field))?.currency ?? null) !== null),
  );
  const inCells = (row: Row): Currency | undefined => {
    if (!marked) return undefined;
    for (const field of fields) {
      const sign = writtenSum(cells.of(row, field))?.currency;
      if (sign && !isShared(sign)) return sign;
    }
    return undefined;
  };
  const shared = marked ? sharedIn(cells, rows, fields) : null;
  const assumed = (cells.file.answers.currency as Currency | undefined) ?? context.currency;
  const column = currencyColumn(cells, rows, assumed);
  const isOwn = cells.file.answers.currencies === "own";
  const own = (row: Row): Currency | undefined =>
    (isOwn ? context.currency : undefined) ??
    currencyOf(cells.of(row, "currency")) ??
    column.of(row) ??
    inCells(row) ??
    inHead;
  const contradicts = !marked
    ? []
    : rows.filter((row) => {
        const [said, sign] = [currencyOf(cells.of(row, "currency")), inCells(row)];
        return said !== undefined && sign !== undefined && said !== sign;
      });
  const questions: Question[] = [...column.questions];
  const unnamed = rows.some((row) => own(row) === undefined);
  if (shared !== null && unnamed && cells.file.answers.currency === undefined)
    questions.push(...sharedQuestion(shared, assumed));
  if (contradicts.length > 0 && cells.file.answers.currency === undefined)
    questions.push({
      key: "currency",
      words: `The column of currencies and the signs beside the sums disagree (${some(contradicts.map((row) => cells.of(row, "currency")))}). Which is right?`,
      choices: [{ answer: context.currency, result: "the column is right" }],
    });
  const ofRow = (row: Row): Currency => own(row) ?? assumed;
  return { currencyOf: ofRow, questions: [...questions, ...headsAgainst(cells, rows, ofRow)] };
}

/** A sign beside the sums that several currencies share. */
function sharedIn(
  cells: Cells,
  rows: readonly Row[],
  fields: readonly string[],
): SharedSign | null {
  for (const row of rows)
    for (const field of fields) {
      const sign = writtenSum(cells.of(row, field))?.currency ?? null;
      if (isShared(sign)) return sign;
    }
  return null;
}

/** Which of the currencies that share a sign is meant; nothing where the account's own is one of them. */
function sharedQuestion(sign: SharedSign, assumed: Currency): Question[] {
  const { words, currencies } = sharedSign(sign);
  if (currencies.includes(assumed)) return [];
  return [
    {
      key: "currency",
      words: `The sums are ${words}, and what they belong to is in ${assumed}. Which currency are they?`,
      choices: [...currencies.slice(0, 4), assumed].map((code) => ({
        answer: code,
        result: `every sum without another currency is ${code}`,
      })),
    },
  ];
}
