import { type Currency, parseAmount } from "@/core/money";

import { type Made, type Reading, sumOfCell } from "../../canonical";
import type { Cells, Row } from "../../cells";
import { sumFields } from "../../sums/sumFields";
import type { LeftOut, LeftOutRule, Question } from "../../types";

/** The rows of a list as they stand, those of them that were left out, and what was made of the others. */
export type List = {
  readonly rows: readonly Row[];
  readonly leftOut: readonly LeftOut[];
  readonly made: Made["rows"];
};
/** What is asked of the totals of a list, and what they prove. */
export type Found = { readonly questions: readonly Question[]; readonly proofs: readonly string[] };
export const NOTHING_FOUND: Found = { questions: [], proofs: [] };

/** What each line adds to a column, in one way to read it. */
export type Way = ReadonlyMap<number, number>;

/** Rows that are there for the eye: no total counts them. */
const FOR_THE_EYE: ReadonlySet<LeftOutRule> = new Set([
  "head",
  "heading",
  "balance",
  "continues",
  "total",
]);

/** The lines that a total may count. */
export function countedLines({ rows, leftOut }: List): Row[] {
  const eyed = new Set(leftOut.filter(({ why }) => FOR_THE_EYE.has(why)).map(({ line }) => line));
  return rows.filter(({ line }) => !eyed.has(line));
}

/** Fields whose column is added up: what a payment comes to stands on each of its lines. */
export const addedFields = (cells: Cells): string[] =>
  sumFields(cells).filter((field) => cells.file.kind !== "remittance" || field !== "total");

/** The currency of all lines; null where there are several. */
export function onlyCurrency({ currencyOf }: Reading, lines: readonly Row[]): Currency | null {
  const [only, ...others] = new Set(lines.map(currencyOf));
  return only !== undefined && others.length === 0 ? only : null;
}

/**
 * The ways in which a total may count a column: all lines as they stand, those of them that were not left
 * out, and what was made of them.
 */
export function waysOf(reading: Reading, list: List, field: string): Way[] {
  const lines = countedLines(list);
  const left = new Set(list.leftOut.map(({ line }) => line));
  const asItStands = (row: Row): number | null => sumOfCell(reading, row, field);
  const currency = lines[0] ? reading.currencyOf(lines[0]) : null;
  return [
    addedBy(lines, asItStands),
    addedBy(
      lines.filter(({ line }) => !left.has(line)),
      asItStands,
    ),
    addedBy(list.made, (row) => (currency ? sumIn(row.fields[field], currency) : 0)),
  ];
}

/** The same with what went one way alone: `1` came in, `-1` went out. */
export const oneWay = (way: Way, sign: 1 | -1): Way =>
  new Map([...way].map(([line, sum]) => [line, Math.sign(sum) === sign ? sum : 0]));

const sumIn = (text: string | undefined, currency: Currency): number => {
  const read = parseAmount(text ?? "", ".", currency);
  return read.ok ? read.value : 0;
};

const addedBy = <T extends { readonly line: number }>(
  rows: readonly T[],
  sumOf: (row: T) => number | null,
): Way => new Map(rows.map((row) => [row.line, sumOf(row) ?? 0]));
