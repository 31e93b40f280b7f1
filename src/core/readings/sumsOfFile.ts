import { FIELDS } from "@/core/formats";
import {
  type Currency,
  currencyOf,
  type DecimalMark,
  formatAmount,
  minorDigits,
  type Minor,
} from "@/core/money";

import { type Cells, type Row, some } from "./cells";
import { sumUnder, type WrittenSum, writtenSum } from "./sumCells";
import type { Question, ReadingContext } from "./types";

export type SumReading = { readonly mark: DecimalMark; readonly cents: boolean };
export type SumsFound = {
  readonly reading: SumReading;
  readonly questions: readonly Question[];
  /** The currency of the sums of a row. */
  readonly currencyOf: (row: Row) => Currency;
};

type Cell = { readonly text: string; readonly written: WrittenSum; readonly currency: Currency };

/** How the sums of a file are read: mark, unit and currency, by its own cells or by a question. */
export function sumsOfFile(cells: Cells, rows: readonly Row[], context: ReadingContext): SumsFound {
  const money = currencyFinder(cells, rows, context);
  const found = sumFields(cells).flatMap((field) =>
    rows.flatMap((row): Cell[] => {
      const text = cells.of(row, field);
      const written = writtenSum(text);
      return written ? [{ text, written, currency: money.currencyOf(row) }] : [];
    }),
  );
  const mark = markOf(found, cells.file.answers.mark);
  const unit = unitOf(cells, found, cells.file.answers.unit);
  return {
    reading: { mark: mark.mark, cents: unit.cents },
    questions: [...money.questions, ...mark.questions, ...unit.questions],
    currencyOf: money.currencyOf,
  };
}

export const sumFields = (cells: Cells): string[] =>
  FIELDS[cells.file.kind]
    .filter(({ type, field }) => type === "amount" && cells.has(field))
    .map(({ field }) => field);

const valueUnder = ({ written, currency }: Cell, mark: DecimalMark): Minor | null =>
  sumUnder(written, { mark, currency, cents: false });

/** A point before three digits and nothing else: thousands, or three decimals that are none. */
const ONE_GROUP = /^\d{1,3}\.\d{3}$/;

function markOf(
  sums: readonly Cell[],
  said: string | undefined,
): { mark: DecimalMark; questions: Question[] } {
  if (said === "." || said === ",") return { mark: said, questions: [] };
  const decides = (mark: DecimalMark): boolean => {
    const other = mark === "." ? "," : ".";
    return sums.some(
      (cell) =>
        valueUnder(cell, mark) !== null &&
        valueUnder(cell, other) === null &&
        !ONE_GROUP.test(cell.written.digits),
    );
  };
  const [point, comma] = [decides("."), decides(",")];
  const open = sums.find(
    (cell) =>
      ONE_GROUP.test(cell.written.digits) || differs(valueUnder(cell, "."), valueUnder(cell, ",")),
  );
  if (point !== comma) return { mark: point ? "." : ",", questions: [] };
  if (!open && !point) return { mark: ".", questions: [] };
  const sample = point ? undefined : open;
  return { mark: ".", questions: [markQuestion(sums, sample)] };
}

const differs = (a: Minor | null, b: Minor | null): boolean => a !== null && b !== null && a !== b;

function markQuestion(sums: readonly Cell[], sample: Cell | undefined): Question {
  const shown = sample ?? sums[0];
  const read = (mark: DecimalMark): string => {
    const value = shown && valueUnder(shown, mark);
    if (!shown || value === null || value === undefined)
      return `${sums.filter((cell) => valueUnder(cell, mark) === null).length} sums could not be read`;
    return `${shown.text} is ${formatAmount(value, shown.currency)}`;
  };
  return {
    key: "mark",
    words: sample
      ? `${sample.text} can be two sums. Which is the decimal sign?`
      : "Some sums of the file have a point before the decimals, some a comma. Which is the decimal sign?",
    choices: [
      { answer: ".", result: `the point: ${read(".")}` },
      { answer: ",", result: `the comma: ${read(",")}` },
    ],
  };
}

const HEAD_CENTS = /\b(cents?|minor|pence|centimes)\b/i;
/** Whole sums of one digit less say nothing: 5 and 12 are as likely either. */
const FEW = 3;

/** Whole numbers alone may be cents; a head may say so. */
function unitOf(
  cells: Cells,
  sums: readonly Cell[],
  said: string | undefined,
): { cents: boolean; questions: Question[] } {
  if (said !== undefined) return { cents: said === "cents", questions: [] };
  const fields = sumFields(cells);
  if (fields.length > 0 && fields.some((field) => HEAD_CENTS.test(cells.head(field))))
    return { cents: true, questions: [] };
  const own = sums.filter(({ currency }) => minorDigits(currency) > 0);
  const whole = own.filter(({ written }) => /^\d+$/.test(written.digits));
  const worth = whole.filter(({ written }) => Number(written.digits) !== 0);
  if (worth.length === 0 || whole.length < own.length) return { cents: false, questions: [] };
  const round = worth.every(({ written }) => written.digits.length < FEW);
  if (round) return { cents: false, questions: [] };
  const [sample] = [...worth].sort((a, b) => b.written.digits.length - a.written.digits.length);
  if (!sample) return { cents: false, questions: [] };
  const value = (cents: boolean): string =>
    formatAmount(
      sumUnder(sample.written, { mark: ".", currency: sample.currency, cents }) ?? 0,
      sample.currency,
    );
  return {
    cents: false,
    questions: [
      {
        key: "unit",
        words: `Every sum of the file is a whole number. Are they ${sample.currency}, or its hundredths?`,
        choices: [
          { answer: "whole", result: `${sample.text} is ${value(false)}` },
          { answer: "cents", result: `${sample.text} is ${value(true)}` },
        ],
      },
    ],
  };
}

type Money = { currencyOf: (row: Row) => Currency; questions: Question[] };

const HEAD_CURRENCY = /[([]\s*([A-Z]{3})\s*[)\]]|\b([A-Z]{3})$/;

/** The currency of each row: its column, the sign in its cells, a head, else the account's. */
function currencyFinder(cells: Cells, rows: readonly Row[], context: ReadingContext): Money {
  const heads = sumFields(cells).flatMap((field) => {
    const match = HEAD_CURRENCY.exec(cells.head(field));
    return currencyOf(match?.[1] ?? match?.[2] ?? "") ?? [];
  });
  const inHead = new Set(heads).size === 1 ? heads[0] : undefined;
  const inCells = (row: Row): Currency | undefined => {
    for (const field of sumFields(cells)) {
      const sign = writtenSum(cells.of(row, field))?.currency;
      if (sign && sign !== "dollar") return sign;
    }
    return undefined;
  };
  const dollars = rows.some((row) =>
    sumFields(cells).some((field) => writtenSum(cells.of(row, field))?.currency === "dollar"),
  );
  const assumed = (cells.file.answers.currency as Currency | undefined) ?? context.currency;
  const own = (row: Row): Currency | undefined =>
    currencyOf(cells.of(row, "currency")) ?? inCells(row) ?? inHead;
  const contradicts = rows.filter((row) => {
    const [said, sign] = [currencyOf(cells.of(row, "currency")), inCells(row)];
    return said !== undefined && sign !== undefined && said !== sign;
  });
  const questions: Question[] = [];
  const unnamed = rows.some((row) => own(row) === undefined);
  if (dollars && unnamed && !isDollar(assumed) && cells.file.answers.currency === undefined)
    questions.push({
      key: "currency",
      words: `The sums are in dollars, and what they belong to is in ${context.currency}. Which currency are they?`,
      choices: ["USD", "CAD", "AUD", context.currency].map((code) => ({
        answer: code,
        result: `every sum without another currency is ${code}`,
      })),
    });
  if (contradicts.length > 0 && cells.file.answers.currency === undefined)
    questions.push({
      key: "currency",
      words: `The column of currencies and the signs beside the sums disagree (${some(contradicts.map((row) => cells.of(row, "currency")))}). Which is right?`,
      choices: [{ answer: context.currency, result: "the column is right" }],
    });
  return { currencyOf: (row) => own(row) ?? assumed, questions };
}

const isDollar = (currency: Currency): boolean => /^(USD|CAD|AUD|NZD|HKD|SGD|MXN)$/.test(currency);
