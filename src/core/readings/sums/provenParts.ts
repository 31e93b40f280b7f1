import { type FileKind, plainWords } from "@/core/formats";

import type { Cells, Row } from "../cells";
import { COST_FIELDS, isCost } from "./costHeads";
import { sumUnder, writtenSum } from "./sumCells";
import type { SumReading } from "./sumsOfFile";
import type { ReadingContext } from "../types";

/** The field that other columns are parts of, and the fields that may be among its parts. */
const WHOLE: Partial<Record<FileKind, { readonly of: string; readonly parts: readonly string[] }>> =
  {
    processor: { of: "gross", parts: [] },
    invoices: { of: "total", parts: ["tax"] },
    remittance: { of: "amount", parts: ["discount"] },
  };

/** More columns than these are no parts of one sum. */
const MOST_PARTS = 6;
const ENOUGH = 2;

/** What a payment is made up of; what was given back of it is none of this (common practice, no source). */
const MADE_OF =
  /\b(sub ?total|amount|sales?|items?|goods|tips?|gratuity|tax(?:es)?|vat|gst|hst|pst|shipping|freight|handling|delivery|surcharge|discounts?|visa|master ?card|amex|american express|discover|diners|jcb|interac|ach|cards?|e ?checks?)\b/;

/** The lines of a file with the reading of their sums. */
export type Around = {
  readonly cells: Cells;
  readonly rows: readonly Row[];
  readonly reading: SumReading;
  readonly context: ReadingContext;
};

/**
 * Columns that no field has taken and that, added and taken off, come to a sum that one has, on every
 * line: they say what it is made of, and change nothing.
 */
export function provenParts({ cells, rows, reading, context }: Around): Set<string> {
  const whole = WHOLE[cells.file.kind];
  if (isNetAlone(cells)) return partsOfNet({ cells, rows, reading, context });
  if (!whole || !cells.has(whole.of) || rows.length < ENOUGH || !isWhole(cells)) return new Set();
  const value = valueUnder(reading, context);
  const target = rows.map((row) => value(cells.of(row, whole.of)));
  const free = cells
    .unread()
    .filter(({ head }) => cells.file.kind !== "processor" || MADE_OF.test(plainWords(head)))
    .map(({ head, at }) => ({ head, sums: rows.map((row) => value(row.cells[at] ?? "")) }))
    .filter(({ sums }) => sums.some((sum) => sum !== 0));
  if (free.length === 0 || free.length > MOST_PARTS) return new Set();
  const known = whole.parts
    .filter((field) => cells.has(field))
    .map((field) => ({ head: null, sums: rows.map((row) => value(cells.of(row, field))) }));
  const all = [...free, ...known];
  const parts = target.some((sum) => sum !== 0) ? partsOf(all, target) : null;
  if (parts === null || (cells.file.kind === "remittance" && !isPaidOf(parts, all)))
    return new Set();
  return new Set(parts.flatMap(({ head }) => head ?? []));
}

/** What a cell comes to; nothing where it holds no sum. */
const valueUnder =
  (reading: SumReading, context: ReadingContext) =>
  (cell: string): number => {
    const written = writtenSum(cell.trim());
    return (written && sumUnder(written, { ...reading, currency: context.currency })) ?? 0;
  };

/** Whether what arrives is known, and what was taken off, and no column says what was charged. */
const isNetAlone = (cells: Cells): boolean =>
  cells.file.kind === "processor" && !cells.has("gross") && cells.has("net") && cells.has("fee");

/**
 * Columns of what is sold, where all sums, as they are written, add up with the fees to what arrives on
 * every line. One more cost among them is no part of what was charged, and is asked about.
 */
function partsOfNet({ cells, rows, reading, context }: Around): Set<string> {
  const value = valueUnder(reading, context);
  const free = cells.unread();
  const costs = COST_FIELDS.filter((field) => cells.has(field));
  const added = (row: Row): number => {
    const parts = free.map(({ at }) => value(row.cells[at] ?? ""));
    const off = costs.map((field) => value(cells.of(row, field)));
    return [...parts, ...off].reduce((all, part) => all + part, 0);
  };
  const isAll =
    rows.length >= ENOUGH && rows.every((row) => added(row) === value(cells.of(row, "net")));
  if (!isAll) return new Set();
  // What has a line for itself is the sum of that line.
  const isAlone = (at: number): boolean =>
    rows.every((row) => {
      const sum = value(row.cells[at] ?? "");
      return sum === 0 || sum === value(cells.of(row, "net"));
    });
  // A charge may be what is charged as well as what it costs: what comes in is no cost.
  const comesIn = (at: number): boolean => rows.every((row) => value(row.cells[at] ?? "") >= 0);
  const isPart = ({ head, at }: { head: string; at: number }): boolean =>
    (!isCost(head) || comesIn(at)) && (MADE_OF.test(plainWords(head)) || isAlone(at));
  return new Set(free.filter(isPart).map(({ head }) => head));
}

/** Where nothing says what of an invoice is paid, one of its columns may be that. */
const isWhole = (cells: Cells): boolean => cells.file.kind !== "invoices" || cells.has("paid");

type Part = { readonly head: string | null; readonly sums: readonly number[] };
type Signed = { readonly head: string | null; readonly sign: number };

/** One sum less what is taken off it; a sum of several may be what was owed, and one of them what was paid. */
const isPaidOf = (parts: readonly Signed[], known: readonly Part[]): boolean => {
  const adds = ({ head, sign }: Signed): boolean => {
    const { sums } = known.find((part) => part.head === head) as Part;
    return sums.some((sum) => sum * sign > 0);
  };
  return parts.length > 1 && parts.filter(adds).length === 1;
};

/** The parts that, added or taken off, come to the whole on every line; null where none do. */
function partsOf(parts: readonly Part[], whole: readonly number[]): Signed[] | null {
  if (whole.every((sum) => sum === 0)) return [];
  const [first, ...rest] = parts;
  if (!first) return null;
  for (const sign of [1, -1, 0]) {
    const left = whole.map((sum, at) => sum - sign * (first.sums[at] ?? 0));
    const below = partsOf(rest, left);
    if (below !== null) return sign === 0 ? below : [{ head: first.head, sign }, ...below];
  }
  return null;
}
