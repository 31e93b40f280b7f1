import { plainWords } from "@/core/formats";
import {
  type Currency,
  type DecimalMark,
  formatAmount,
  minorDigits,
  type Minor,
} from "@/core/money";

import type { Cells, Row } from "../cells";
import { currencyFinder } from "./currencyOfFile";
import { sumUnder, type WrittenSum, writtenSum } from "./sumCells";
import { saysThousands } from "./inThousands";
import { sumFields } from "./sumFields";
import type { Question, ReadingContext } from "../types";

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
  const found = different(cells, rows, money.currencyOf);
  const mark = markOf(found.slice(0, MOST_LOOKED_AT), cells.file.answers.mark);
  const unit = unitOf(cells, found, cells.file.answers.unit);
  return {
    reading: { mark: mark.mark, cents: unit.cents },
    questions: [...money.questions, ...mark.questions, ...unit.questions],
    currencyOf: money.currencyOf,
  };
}

/** Different cells by which the mark is told; more say nothing more. */
const MOST_LOOKED_AT = 20_000;
const WHOLE = /^\d+$/;

/** Each sum that is written differently, once for each currency, as many as say anything. */
function different(
  cells: Cells,
  rows: readonly Row[],
  currencyOf: (row: Row) => Currency,
): readonly Cell[] {
  const found: Cell[] = [];
  // Whether one has decimals: only where none has may they all be hundredths.
  let isParted = false;
  const seen = new Map<Currency, Set<string>>();
  for (const field of sumFields(cells))
    for (const row of rows) {
      const text = cells.of(row, field);
      if (text === "") continue;
      const currency = currencyOf(row);
      const texts = seen.get(currency) ?? new Set();
      if (texts.has(text)) continue;
      seen.set(currency, texts.add(text));
      const written = writtenSum(text);
      if (written) found.push({ text, written, currency });
      isParted ||= written !== null && minorDigits(currency) > 0 && !WHOLE.test(written.digits);
      if (isParted && found.length >= MOST_LOOKED_AT) return found;
    }
  return found;
}

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
  if (fields.length > 0 && fields.some((field) => HEAD_CENTS.test(plainWords(cells.head(field)))))
    return { cents: true, questions: [] };
  const large = saysThousands(cells);
  if (large !== undefined) return { cents: false, questions: [largeQuestion(large)] };
  const own = sums.filter(({ currency }) => minorDigits(currency) > 0);
  const whole = own.filter(({ written }) => WHOLE.test(written.digits));
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

/** Sums in thousands have lost their cents: nothing can be posted by them. */
const largeQuestion = (said: string): Question => ({
  key: "unit",
  words: `“${said.trim().slice(0, 60)}” counts in thousands or more: the cents are lost. Export the sums in full instead.`,
  choices: [{ answer: "whole", result: "the sums stand in full, whatever it says" }],
});
