import type { Day } from "@/core/calendar";
import { currencyOf, minorDigits } from "@/core/money";

import type { Table } from "./csv/table";
import type { Aside, Doubt } from "./doubts";
import { FIELDS } from "./fields";
import type { FileKind } from "./mapping";

/** A row of a file of a published format, by field. */
export type AgreedRow = {
  readonly line: number;
  readonly fields: Readonly<Record<string, string>>;
  /** The file says that it is no money, or not yet. */
  readonly aside?: Aside | null;
  readonly doubt?: Doubt | null;
  /** The moment of its day, in UTC, where the file says it with a zone. */
  readonly moment?: string | null;
};

/** What such a file says of itself: what foots, and what does not. */
type Checks = {
  readonly proofs?: readonly string[];
  readonly off?: string | null;
  readonly span?: Table["span"];
  readonly madeOutTo?: string | null;
};

/** From the first to the last of the days that a file says it is of, as ISO text; null where they are none. */
export function spanOf(days: readonly string[]): NonNullable<Table["span"]> | null {
  const known = days.filter((day): day is Day => /^\d{4}-\d\d-\d\d$/.test(day)).sort();
  const [from, to] = [known[0], known.at(-1)];
  return from && to ? { from, to } : null;
}

/** Rows of a published format as a table in the agreed layout: nothing of it is guessed. */
export function agreedTable(
  kind: FileKind,
  rows: readonly AgreedRow[],
  { proofs = [], off = null, span = null, madeOutTo = null }: Checks = {},
): Table {
  const fields = FIELDS[kind];
  // Rows are told apart by their line: where several stand on one, they are numbered.
  const apart = new Set(rows.map(({ line }) => line)).size === rows.length;
  const lineOf = ({ line }: AgreedRow, at: number): number => (apart ? line : at + 1);
  return {
    kind,
    aside: rows.flatMap((row, at) => marked(lineOf(row, at), row.aside)),
    doubts: rows.flatMap((row, at) => marked(lineOf(row, at), row.doubt)),
    moments: rows.flatMap((row, at) => marked(lineOf(row, at), row.moment)),
    proofs,
    off,
    span,
    madeOutTo,
    headers: fields.map(({ names, field }) => names[0] ?? field),
    rows: rows.map((row, at) => ({
      line: lineOf(row, at),
      cells: fields.map(({ field }) => row.fields[field] ?? ""),
    })),
  };
}

const marked = <Mark>(
  line: number,
  mark: Mark | null | undefined,
): { line: number; mark: Mark }[] => (mark ? [{ line, mark }] : []);

/** What may be kept of an account's number: how it ends. */
export const endOfAccount = (number: string): string => number.replace(/\s/g, "").slice(-4);

/** Decimals of a currency by its code as it is written; two where nobody knows it. */
export function digitsOf(code: string): number {
  const currency = currencyOf(code);
  return currency ? minorDigits(currency) : 2;
}

/** Minor units as decimal text, for sums that a format writes whole. */
export function decimalOf(sum: number, digits: number): string {
  const size = String(Math.abs(sum)).padStart(digits + 1, "0");
  const whole = digits === 0 ? size : `${size.slice(0, -digits)}.${size.slice(-digits)}`;
  return sum < 0 ? `-${whole}` : whole;
}

/** What one of several statements of a file says of its account. */
export type OwnBalances = {
  readonly account: string;
  readonly opening: number | null;
  readonly closing: number | null;
};

/** What to say where statements of one account do not follow on from one another, in either order; else null. */
export function statementGap(
  statements: readonly OwnBalances[],
  written: (sum: number) => string,
): string | null {
  const gaps = (ordered: readonly OwnBalances[]): string[] =>
    ordered.flatMap(({ account, opening }, at) => {
      const before = ordered.slice(0, at).findLast((one) => one.account === account);
      const closed = before?.closing ?? null;
      return closed === null || opening === null || closed === opening
        ? []
        : [
            `a statement closes with ${written(closed)}, and the next one opens with ${written(opening)}`,
          ];
    });
  const [first] = gaps(statements);
  return first === undefined || gaps(statements.toReversed()).length === 0 ? null : first;
}

/**
 * Checks that an opening balance and the lines come to the closing balance, all in minor units.
 * @returns what to say: that it foots, or by how much it does not
 */
export function balanceCheck(
  opening: number | null,
  sums: readonly number[],
  closing: number | null,
  written: (sum: number) => string,
): { proof: string | null; off: string | null } {
  if (opening === null || closing === null) return { proof: null, off: null };
  const found = sums.reduce((total, sum) => total + sum, opening);
  return found === closing
    ? {
        proof: `opening ${written(opening)} and ${sums.length} lines come to the closing ${written(closing)}`,
        off: null,
      }
    : {
        proof: null,
        off: `opening ${written(opening)} and ${sums.length} lines come to ${written(found)}, and the file says ${written(closing)}`,
      };
}
