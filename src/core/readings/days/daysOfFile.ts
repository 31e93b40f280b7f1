import { addDays, type Day } from "@/core/calendar";
import { FIELDS } from "@/core/formats";
import { sumOf } from "@/core/money";

import type { Cells, Row } from "../cells";
import { type DayReading, dayUnder, type PartOrder } from "./dayUnder";
import { daysIn, isOutside, spanAbove, spanUnder } from "./ownSpan";
import { likeliestFirst } from "./likeliestOrder";
import { type Candidate, orderQuestion } from "./orderQuestion";
import { turnedDays } from "./turnedDays";
import { writtenDay } from "./writtenDay";
import type { Question, ReadingContext } from "../types";
import { type WrittenColumn, zonesOfFile } from "./zonesOfFile";

/** The reading of the days of a file, and what it leaves open. */
export type DaysFound = {
  readonly readingOf: (field: string) => DayReading;
  readonly questions: readonly Question[];
};

const ORDERS: readonly PartOrder[] = ["mdy", "dmy", "yy"];
/** A day of a past that no export of this job reaches back to. */
const YEARS_BACK = 12;
/** Days that follow one another in one order by chance: one in a thousand at this many. */
const ENOUGH_IN_ORDER = 6;

/** How the days of a file are read: what its cells prove, else what was said, else a question. */
export function daysOfFile(cells: Cells, rows: readonly Row[], context: ReadingContext): DaysFound {
  const columns = dayFields(cells).map((field): WrittenColumn => ({
    field,
    days: cells.column(rows, field).flatMap((cell) => writtenDay(cell) ?? []),
  }));
  const { order, questions } = orderOf({ cells, rows }, columns, context);
  const base = readingIn(order, cells, context);
  const turned = turnedDays(cells, columns, { base, today: context.today });
  const zones = zonesOfFile(cells, columns, turned.reading);
  const own = ownOrders(columns, base);
  return {
    readingOf: (field) => {
      const read = zones.of(field);
      const said = own.get(field);
      return said === undefined ? read : { ...read, order: said };
    },
    questions: [...questions, ...turned.questions, ...zones.questions],
  };
}

/** Columns that the order of the others makes no days of, each with the only order that does. */
function ownOrders(
  columns: readonly WrittenColumn[],
  base: DayReading,
): ReadonlyMap<string, PartOrder> {
  const reads = (days: WrittenColumn["days"], order: PartOrder): boolean =>
    days.every((written) => dayUnder(written, { ...base, order }) !== null);
  return new Map(
    columns.flatMap(({ field, days }) => {
      if (reads(days, base.order)) return [];
      const [only, ...others] = ORDERS.filter((order) => reads(days, order));
      return only !== undefined && others.length === 0 ? [[field, only] as const] : [];
    }),
  );
}

const readingIn = (
  order: PartOrder,
  { file: { table } }: Cells,
  { timeZone }: ReadingContext,
): DayReading => ({
  order,
  assumedZone: null,
  asDays: false,
  isTurned: false,
  isFrom1904: table.isFrom1904 === true,
  timeZone,
});

const dayFields = (cells: Cells): string[] =>
  FIELDS[cells.file.kind]
    .filter(({ type, field }) => type === "day" && cells.has(field))
    .map(({ field }) => field);

function orderOf(
  { cells, rows }: { cells: Cells; rows: readonly Row[] },
  columns: readonly WrittenColumn[],
  context: ReadingContext,
): { order: PartOrder; questions: Question[] } {
  const said = cells.file.answers.days as PartOrder | undefined;
  if (said !== undefined && ORDERS.includes(said)) return { order: said, questions: [] };
  // Days that say themselves which number is which are the same in every order.
  const isOpen = columns.some(({ days }) => days.some(({ open }) => open !== null));
  if (!isOpen) return { order: "mdy", questions: [] };
  const candidates = ORDERS.map((order): Candidate => ({
    order,
    columns: columns.map(({ days }) =>
      days.map((written) => dayUnder(written, readingIn(order, cells, context))),
    ),
  }));
  const span = spanAbove(cells.file.table);
  const isOfSpan: Test = ({ order, columns: [main = []] }) => {
    const own = spanUnder(span, readingIn(order, cells, context));
    return own !== null && main.every((day) => day !== null && !isOutside(day, own));
  };
  const above = (cells.file.table.above ?? []).flatMap((line) => daysIn(line));
  const readsAbove = (order: PartOrder): boolean =>
    above.every((written) => dayUnder(written, readingIn(order, cells, context)) !== null);
  const left = likeliestFirst(likely(readable(candidates), { isOfSpan, readsAbove }, context), () =>
    cells.column(rows, columns[0]?.field ?? ""),
  );
  const [best = candidates[0]] = left;
  const different = left.filter((other) => !same(other, best));
  const cellsOf = (field: string): string[] =>
    cells.column(rows, field).filter((cell) => writtenDay(cell) !== null);
  if (!best || different.length === 0) return { order: best?.order ?? "mdy", questions: [] };
  return {
    order: best.order,
    questions: [orderQuestion(columns, [best, ...different], { context, cellsOf })],
  };
}

const same = (a: Candidate, b: Candidate | undefined): boolean =>
  a.columns.every((days, at) => days.every((day, nth) => day === b?.columns[at]?.[nth]));

const unreadOf = ({ columns }: Candidate): number =>
  sumOf(columns, (days) => sumOf(days, (day) => (day === null ? 1 : 0)));

/** The orders under which the fewest cells are no day. */
function readable(candidates: readonly Candidate[]): Candidate[] {
  const fewest = Math.min(...candidates.map(unreadOf));
  return candidates.filter((candidate) => unreadOf(candidate) === fewest);
}

type Test = (candidate: Candidate) => boolean;

/** What is left where only some orders give days that can be: not to come, not long past, in order. */
function likely(
  candidates: readonly Candidate[],
  { isOfSpan, readsAbove }: { isOfSpan: Test; readsAbove: (order: PartOrder) => boolean },
  { today }: ReadingContext,
): Candidate[] {
  const oldest = `${Number(today.slice(0, 4)) - YEARS_BACK}`;
  const latest = addDays(today, 800);
  const main = ({ columns }: Candidate): Day[] =>
    (columns[0] ?? []).flatMap((day) => (day === null ? [] : [day]));
  const tests: readonly Test[] = [
    ({ order }) => readsAbove(order),
    (candidate) => candidate.columns.flat().every((day) => !day || (day > oldest && day < latest)),
    (candidate) => main(candidate).every((day) => day <= addDays(today, 1)),
    isOfSpan,
    (candidate) => dueAfter(candidate),
    (candidate) => inOrder(main(candidate)),
  ];
  return tests.reduce<Candidate[]>(
    (left, test) => {
      const pass = left.filter(test);
      return pass.length > 0 ? pass : left;
    },
    [...candidates],
  );
}

/** A day of the second column that is before that of the first: due before it was issued. */
const dueAfter = ({ columns: [first = [], second = []] }: Candidate): boolean =>
  first.length !== second.length ||
  first.every((day, at) => !day || !second[at] || day <= (second[at] ?? day));

/** Whether enough different days run one way. */
function inOrder(days: readonly Day[]): boolean {
  const different = new Set(days).size;
  if (different < ENOUGH_IN_ORDER) return true;
  const pairs = days.slice(1).map((day, at) => [days[at] ?? day, day] as const);
  return pairs.every(([a, b]) => a <= b) || pairs.every(([a, b]) => a >= b);
}
