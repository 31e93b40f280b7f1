import { type Currency, formatAmount } from "@/core/money";

import { type Reading, sumOfCell } from "../../canonical";
import type { Row } from "../../cells";
import type { LeftOutRule, Question } from "../../types";
import { isCountAlone } from "./saidCount";
import {
  addedFields,
  countedLines,
  type Found,
  type List,
  NOTHING_FOUND,
  oneWay,
  onlyCurrency,
  type Way,
  waysOf,
} from "./addedUp";

/** What a line says that a column comes to. */
type Said = { readonly line: number; readonly field: string; readonly sum: number };
/** Rows at which what a total counts may begin. */
const BEGINS: ReadonlySet<LeftOutRule> = new Set(["heading", "head", "total"]);

/**
 * Totals that stand among the lines of a list, held against them: each is what the lines above it come
 * to, up to where the list, a group or another total begins, with or without those that were left out,
 * as they stand or as they were understood.
 * What is not is asked about, for a line may be missing or read wrong.
 */
export function totalsFoot(reading: Reading, list: List): Found {
  const { rows, leftOut } = list;
  if (leftOut.length === 0) return NOTHING_FOUND;
  const rules = new Map(leftOut.map(({ line, why }) => [line, why]));
  const totals = rows.filter(
    ({ line, cells }) => rules.get(line) === "total" && !isCountAlone(cells),
  );
  if (totals.length === 0) return NOTHING_FOUND;
  const currency = onlyCurrency(reading, countedLines(list));
  if (currency === null) return NOTHING_FOUND;
  const begins = (line: number): boolean => {
    const rule = rules.get(line);
    return rule !== undefined && BEGINS.has(rule);
  };
  const held = addedFields(reading.cells).map((field) => {
    const said = totals.flatMap((row) => saidIn(reading, row, field));
    const ways = said.length === 0 ? [] : waysOfTotals(reading, list, field);
    const footing = ways.map((way) => footingIn(rows, { said, way, begins }));
    return { said, ways, off: said.find(({ line }) => !footing.some((foot) => foot.has(line))) };
  });
  const broken = held.find(({ off }) => off !== undefined);
  if (!broken?.off) return { questions: [], proofs: proofsOf(held.flatMap(({ said }) => said)) };
  if (reading.cells.file.answers.totals !== undefined) return NOTHING_FOUND;
  const { off, ways } = broken;
  const come = nearest(rows, { total: off, way: ways[0] ?? new Map<number, number>(), begins });
  const head = reading.cells.head(off.field);
  return { questions: [offQuestion({ ...off, currency, head, come })], proofs: [] };
}

/** A total of a statement may count what came in or what went out alone. */
function waysOfTotals(reading: Reading, list: List, field: string): Way[] {
  const ways = waysOf(reading, list, field);
  const isSigned = reading.cells.file.kind === "bank" && field === "amount";
  return isSigned ? [...ways, ...ways.flatMap((way) => [oneWay(way, 1), oneWay(way, -1)])] : ways;
}

function saidIn(reading: Reading, row: Row, field: string): Said[] {
  const sum = sumOfCell(reading, row, field);
  return sum === null ? [] : [{ line: row.line, field, sum }];
}

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
