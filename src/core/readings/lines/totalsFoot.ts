import { type Currency, formatAmount, parseAmount } from "@/core/money";

import { type Made, type Reading, sumOfCell } from "../canonical";
import type { Cells, Row } from "../cells";
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
/** What each line adds to a column, in one way to read it. */
type Way = ReadonlyMap<number, number>;

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
  const taken = lines.filter(({ line }) => !rules.has(line));
  const waysOf = (field: string): Way[] => [
    addedBy(lines, (row) => sumOfCell(reading, row, field)),
    addedBy(taken, (row) => sumOfCell(reading, row, field)),
    addedBy(made, (row) => sumIn(row.fields[field], currency)),
  ];
  const begins = (line: number): boolean => isOf(BEGINS, line);
  const held = addedFields(reading.cells).map((field) => {
    const said = totals.flatMap((row) => saidIn(reading, row, field));
    const ways = said.length === 0 ? [] : waysOf(field);
    const footing = ways.map((way) => footingIn(rows, { said, way, begins }));
    return { said, ways, off: said.find(({ line }) => !footing.some((foot) => foot.has(line))) };
  });
  const broken = held.find(({ off }) => off !== undefined);
  if (!broken?.off) return { questions: [], proofs: proofsOf(held.flatMap(({ said }) => said)) };
  if (reading.cells.file.answers.totals !== undefined) return { questions: [], proofs: [] };
  const { off, ways } = broken;
  const come = nearest(rows, { total: off, way: ways[0] ?? new Map<number, number>(), begins });
  const head = reading.cells.head(off.field);
  return { questions: [offQuestion({ ...off, currency, head, come })], proofs: [] };
}

/** Fields whose column is added up: what a payment comes to stands on each of its lines. */
const addedFields = (cells: Cells): string[] =>
  sumFields(cells).filter((field) => cells.file.kind !== "remittance" || field !== "total");

function onlyCurrency({ currencyOf }: Reading, lines: readonly Row[]): Currency | null {
  const [only, ...others] = new Set(lines.map(currencyOf));
  return only !== undefined && others.length === 0 ? only : null;
}

function saidIn(reading: Reading, row: Row, field: string): Said[] {
  const sum = sumOfCell(reading, row, field);
  return sum === null ? [] : [{ line: row.line, field, sum }];
}

const sumIn = (text: string | undefined, currency: Currency): number => {
  const read = parseAmount(text ?? "", ".", currency);
  return read.ok ? read.value : 0;
};

const addedBy = <T extends { readonly line: number }>(
  rows: readonly T[],
  sumOf: (row: T) => number | null,
): Way => new Map(rows.map((row) => [row.line, sumOf(row) ?? 0]));

/**
 * Lines of totals that are what stands above them, whichever sign their column writes it with: what the
 * column comes to less the total is what it came to where the list, a group or a total begins.
 */
function footingIn(
  rows: readonly Row[],
  { said, way, begins }: { said: readonly Said[]; way: Way; begins: (line: number) => boolean },
): ReadonlySet<number> {
  const totals = new Map(said.map(({ line, sum }) => [line, sum]));
  const footing = new Set<number>();
  const before = new Set([0]);
  let come = 0;
  for (const { line } of rows) {
    const total = totals.get(line);
    if (total !== undefined && (before.has(come - total) || before.has(come + total)))
      footing.add(line);
    if (begins(line)) before.add(come);
    come += way.get(line) ?? 0;
  }
  return footing;
}

/** Of what stands above a total the sum that is next to it. */
function nearest(
  rows: readonly Row[],
  { total, way, begins }: { total: Said; way: Way; begins: (line: number) => boolean },
): number {
  const before = [0];
  let come = 0;
  for (const { line } of rows) {
    if (line >= total.line) break;
    if (begins(line)) before.push(come);
    come += way.get(line) ?? 0;
  }
  const apart = (sum: number): number => Math.abs(Math.abs(sum) - Math.abs(total.sum));
  return before.map((start) => come - start).reduce((a, b) => (apart(b) < apart(a) ? b : a));
}

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
