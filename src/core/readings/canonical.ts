import { ROW_KIND_NAMES } from "@/core/activity/index";
import type { Day } from "@/core/calendar";
import {
  FIELDS,
  type FieldSpec,
  type FileKind,
  type MappingSpec,
  type Refusal,
  type Table,
} from "@/core/formats";
import {
  type Currency,
  minor,
  type Minor,
  minorDigits,
  parseAmount,
  toDecimal,
} from "@/core/money";
import type { Failure } from "@/core/result";

import { type Cells, type Row, wholeId } from "./cells";
import { type DayReading, dayUnder } from "./days/dayUnder";
import { writtenDay } from "./days/writtenDay";
import { isTermsAsDue } from "./invoices/termsIn";
import { sumUnder, writtenSum } from "./sums/sumCells";
import type { SumReading } from "./sums/sumsOfFile";
import type { EndedRow, LeftOut, Question } from "./types";

export { headsUsedAs } from "./columnUses";

/** A file on its way to the agreed layout: what was found of its days and sums. */
export type Reading = {
  readonly cells: Cells;
  readonly daysOf: (field: string) => DayReading;
  readonly sums: SumReading;
  readonly currencyOf: (row: Row) => Currency;
  /** The way that the heading above a line of a statement says: `deposit`, `withdrawal`, or nothing. */
  readonly wayOf: (row: Row) => string;
  readonly today: Day;
};

/** What a kind of file made of its rows. */
export type Made = {
  readonly rows: readonly {
    readonly line: number;
    readonly fields: Readonly<Record<string, string>>;
  }[];
  readonly leftOut: readonly LeftOut[];
  readonly ended?: readonly EndedRow[];
  readonly refused: readonly Refusal[];
  readonly questions: readonly Question[];
  readonly proofs: readonly string[];
};

/** The head of a field in the agreed layout. */
const headOf = (kind: FileKind, field: string): string =>
  FIELDS[kind].find((spec) => spec.field === field)?.names[0] ?? field;

/** The rows of a file in the agreed layout: ISO days, a decimal point, signs that say the effect. */
export function canonicalTable(kind: FileKind, made: Pick<Made, "rows">): Table {
  const used = new Set<string>();
  for (const { fields } of made.rows) for (const field in fields) used.add(field);
  const fields = FIELDS[kind].map(({ field }) => field).filter((field) => used.has(field));
  return {
    headers: fields.map((field) => headOf(kind, field)),
    rows: made.rows.map(({ line, fields: row }) => ({
      line,
      cells: fields.map((field) => row[field] ?? ""),
    })),
  };
}

/** How the agreed layout is read. */
export const canonicalMapping = (kind: FileKind): MappingSpec => ({
  kind,
  columns: Object.fromEntries(FIELDS[kind].map(({ field }) => [field, headOf(kind, field)])),
  dayOrder: "ymd",
  decimalMark: ".",
  markSaid: true,
  rowKinds: Object.fromEntries(ROW_KIND_NAMES.map((name) => [name, name])),
  signs: "as_written",
  payoutSign: "as_written",
  feeSign: "cost",
});

const NONE: ReadonlySet<string> = new Set();

/** Every field of a row as the agreed layout writes it; what cannot be read stays, to be refused by name. */
export function plainFields(
  reading: Reading,
  row: Row,
  but: ReadonlySet<string> = NONE,
): Record<string, string> {
  const { cells } = reading;
  const out: Record<string, string> = {};
  for (const spec of cells.fields) {
    const text = but.has(spec.field) ? "" : agreedText(reading, row, spec);
    if (text !== "") out[spec.field] = text;
  }
  out.currency = reading.currencyOf(row);
  // A code that nobody has stays as it stands, so that it is refused by its name.
  if (cells.of(row, "currency") !== "" && cells.of(row, "currency").toUpperCase() !== out.currency)
    out.currency = cells.of(row, "currency");
  return out;
}

/** A cell as the agreed layout writes it; empty where it is, or where a mark stands for nothing. */
function agreedText(reading: Reading, row: Row, { field, type }: FieldSpec): string {
  const text = reading.cells.of(row, field);
  if (type === "text") return wholeId(field, text);
  if (text === "") return text;
  if (isNothing(text)) return "";
  if (type === "day") return dayOf(reading, field, text) ?? text;
  return type === "amount" ? (sumText(reading, row, field) ?? text) : text;
}

/** The day of a row in a field; null where the cell is empty or no day. */
export const dayOfCell = (reading: Reading, row: Row, field: string): Day | null =>
  dayOf(reading, field, reading.cells.of(row, field));

function dayOf({ daysOf }: Reading, field: string, text: string): Day | null {
  const written = writtenDay(text);
  return written && dayUnder(written, daysOf(field));
}

/** A sum of a row in minor units; null where the cell is empty or no sum. */
export const sumOfCell = (reading: Reading, row: Row, field: string): Minor | null =>
  sumOfText(reading, row, reading.cells.of(row, field));

/** The same for a column that no field has taken, by its head. */
export const sumUnderHead = (reading: Reading, row: Row, head: string): Minor | null =>
  sumOfText(reading, row, row.cells[reading.cells.file.table.headers.indexOf(head)] ?? "");

/** Plain digits with a point and two decimals: read at once, as nearly all sums are written so. */
const PLAIN = /^-?\d{1,9}\.\d\d$/;

function sumOfText(reading: Reading, row: Row, text: string): Minor | null {
  const { mark, cents } = reading.sums;
  if (mark === "." && !cents && PLAIN.test(text) && minorDigits(reading.currencyOf(row)) === 2)
    return minor(Math.round(Number(text) * 100));
  const written = writtenSum(text);
  return written && sumUnder(written, { ...reading.sums, currency: reading.currencyOf(row) });
}

function sumText(reading: Reading, row: Row, field: string): string | null {
  const sum = sumOfCell(reading, row, field);
  return sum === null ? null : toDecimal(sum, reading.currencyOf(row));
}

export const inText = (sum: number, currency: Currency): string => toDecimal(sum, currency);

/** Fields of a row that hold something that is no day or no sum: the row stays out whole. */
export function unreadable(reading: Reading, row: Row): Refusal[] {
  const { cells } = reading;
  return cells.fields.flatMap(({ field, type }): Refusal[] => {
    if (type !== "amount" && type !== "day") return [];
    const text = cells.of(row, field);
    if (text === "" || isNothing(text) || isTermsAsDue(field, text)) return [];
    const column = cells.head(field);
    if (type === "amount" && sumOfCell(reading, row, field) === null)
      return [
        {
          line: row.line,
          field,
          column,
          error: whyNoSum(reading, row, text),
        },
      ];
    if (type === "day" && dayOf(reading, field, text) === null)
      return [
        {
          line: row.line,
          field,
          column,
          error: {
            code: writtenDay(text) ? "day.impossible" : "day.unreadable",
            text: text.slice(0, 40),
            order: reading.daysOf(field).order,
          },
        },
      ];
    return [];
  });
}

/** Why a cell is no sum: its digits, its mark, its size, or that it is words. */
function whyNoSum({ sums: { mark }, currencyOf }: Reading, row: Row, text: string): Failure {
  const written = writtenSum(text);
  const read = written && parseAmount(written.digits, mark, currencyOf(row));
  const shown = text.slice(0, 40);
  return read && !read.ok
    ? { ...read.error, text: shown }
    : { code: "amount.unreadable", text: shown, mark };
}

/** Marks that stand where there is nothing. */
export const isNothing = (text: string): boolean => /^(?:[-–—]{1,3}|n\/?a|null|none)$/i.test(text);
