import { type Currency, formatAmount, parseAmount } from "@/core/money";

import { type Made, type Reading, sumOfCell } from "../canonical";
import type { Row } from "../cells";
import { sumFields } from "../sums/sumFields";
import type { LeftOut, LeftOutRule, Question } from "../types";

/** The rows of a list as they stand, those of them that were left out, and what was made of the others. */
type List = {
  readonly rows: readonly Row[];
  readonly leftOut: readonly LeftOut[];
  readonly made: Made["rows"];
};
type Found = { readonly questions: readonly Question[]; readonly proofs: readonly string[] };

/** What a line says that a column comes to. */
type Said = { readonly line: number; readonly field: string; readonly sum: number };
/** What a column comes to down to each of its lines, from the first. */
type Sums = readonly { readonly line: number; readonly sum: number }[];

/** Rows that are there for the eye: no total counts them. */
const FOR_THE_EYE: ReadonlySet<LeftOutRule> = new Set([
  "head",
  "heading",
  "balance",
  "continues",
  "total",
]);
/** Rows at which what a total counts may begin. */
const BEGINS: ReadonlySet<LeftOutRule> = new Set(["heading", "head", "total"]);

/**
 * Totals that stand among the lines of a list, held against them: each is what the lines above it come
 * to, up to where the list, a group or another total begins, with or without those that were left out,
 * as they stand or as they were understood.
 * What is not is asked about, for a line may be missing or read wrong.
 */
export function totalsFoot(reading: Reading, { rows, leftOut, made }: List): Found {
  if (leftOut.length === 0) return { questions: [], proofs: [] };
  const rules = new Map(leftOut.map(({ line, why }) => [line, why]));
  const isOf = (set: ReadonlySet<LeftOutRule>, line: number): boolean => {
    const rule = rules.get(line);
    return rule !== undefined && set.has(rule);
  };
  const totals = rows.filter(({ line }) => rules.get(line) === "total");
  if (totals.length === 0) return { questions: [], proofs: [] };
  const lines = rows.filter(({ line }) => !isOf(FOR_THE_EYE, line));
  const currency = onlyCurrency(reading, lines);
  if (currency === null) return { questions: [], proofs: [] };
  const begins = [0, ...rows.map(({ line }) => line).filter((line) => isOf(BEGINS, line))];
  const taken = lines.filter(({ line }) => !rules.has(line));
  const waysOf = (field: string): Sums[] => [
    sumsDown(lines, (row) => sumOfCell(reading, row, field)),
    sumsDown(taken, (row) => sumOfCell(reading, row, field)),
    sumsDown(made, (row) => sumIn(row.fields[field], currency)),
  ];
  const said = totals.flatMap((row) => saidIn(reading, row));
  const off = said.find((total) => !waysOf(total.field).some((sums) => foots(sums, begins, total)));
  if (off === undefined) return { questions: [], proofs: proofsOf(said) };
  const [sums = []] = waysOf(off.field);
  const words = {
    ...off,
    currency,
    head: reading.cells.head(off.field),
    come: nearest(sums, begins, off),
  };
  return reading.cells.file.answers.totals === undefined
    ? { questions: [offQuestion(words)], proofs: [] }
    : { questions: [], proofs: [] };
}

function onlyCurrency({ currencyOf }: Reading, lines: readonly Row[]): Currency | null {
  const [only, ...others] = new Set(lines.map(currencyOf));
  return only !== undefined && others.length === 0 ? only : null;
}

const saidIn = (reading: Reading, row: Row): Said[] =>
  sumFields(reading.cells).flatMap((field) => {
    const sum = sumOfCell(reading, row, field);
    return sum === null ? [] : [{ line: row.line, field, sum }];
  });

const sumIn = (text: string | undefined, currency: Currency): number => {
  const read = parseAmount(text ?? "", ".", currency);
  return read.ok ? read.value : 0;
};

function sumsDown<T extends { readonly line: number }>(
  rows: readonly T[],
  sumOf: (row: T) => number | null,
): Sums {
  let sum = 0;
  return rows.map((row) => {
    sum += sumOf(row) ?? 0;
    return { line: row.line, sum };
  });
}

const downTo = (sums: Sums, line: number): number =>
  sums.findLast((one) => one.line < line)?.sum ?? 0;

/** What stands above a total, from each of the places where it may begin. */
const comesTo = (sums: Sums, begins: readonly number[], line: number): number[] =>
  begins.filter((from) => from < line).map((from) => downTo(sums, line) - downTo(sums, from));

/** How far a sum is from a total, whichever sign its column writes it with. */
const apart = (sum: number, total: number): number => Math.abs(Math.abs(sum) - Math.abs(total));

/** Whether a total is what stands above it. */
const foots = (sums: Sums, begins: readonly number[], { line, sum }: Said): boolean =>
  comesTo(sums, begins, line).some((come) => apart(come, sum) === 0);

/** Of what stands above a total, the sum that is next to it. */
const nearest = (sums: Sums, begins: readonly number[], { line, sum }: Said): number =>
  comesTo(sums, begins, line).reduce((best, come) =>
    apart(come, sum) < apart(best, sum) ? come : best,
  );

function proofsOf(said: readonly Said[]): string[] {
  const count = new Set(said.map(({ line }) => line)).size;
  if (count === 0) return [];
  return [
    count === 1
      ? `the total of line ${said[0]?.line ?? 0} is what its lines come to`
      : `${count} totals are what their lines come to`,
  ];
}

type Off = Said & { readonly currency: Currency; readonly head: string; readonly come: number };

const offQuestion = ({ line, sum, currency, head, come }: Off): Question => ({
  key: "totals",
  words: `Line ${line} says that “${head}” comes to ${formatAmount(sum, currency)}; the lines above it come to ${formatAmount(come, currency)}. A line may be missing.`,
  choices: [{ answer: "take", result: "take the lines in as they stand" }],
});
