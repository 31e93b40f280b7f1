import type { FileKind } from "@/core/formats";
import { formatAmount } from "@/core/money";

import { type Reading, sumOfCell } from "../../canonical";
import type { Row } from "../../cells";
import type { LeftOut, Question } from "../../types";
import { type Split, splitQuestion, splitsIn } from "./splits";

/** What makes a line one that may be said by parts below it, by the kind of list. */
type Spec = {
  readonly sum: string;
  /** Fields that are the same on a line and its parts; the first of them says something. */
  readonly same: readonly string[];
  readonly isPart: (whole: string, part: string) => boolean;
  /** The field that the two are told by, where there is one. */
  readonly by: string;
};

const isWithin = (whole: string, part: string): boolean =>
  part.length > whole.length && part.startsWith(whole);

const SPECS: Readonly<Partial<Record<FileKind, Spec>>> = {
  // Payments with ids of their own are payments of their own, but for `c1-1` below `c1`.
  processor: {
    sum: "gross",
    same: ["payerName", "payerEmail", "occurredOn", "kind", "status"],
    by: "id",
    isPart: (whole, part) => whole === part || isWithin(whole, part),
  },
  invoices: { sum: "total", same: ["customerId"], by: "number", isPart: isWithin },
  remittance: {
    sum: "amount",
    same: ["trace", "payerName", "paidOn"],
    by: "number",
    isPart: (whole, part) => whole.includes(part),
  },
};

type SplitRows = {
  readonly rows: readonly Row[];
  readonly leftOut: readonly LeftOut[];
  readonly questions: readonly Question[];
};

/**
 * The rows of a list without those that only say what the one above them is made of. It is asked whether
 * they do: a payment, an invoice and its instalments, an advice that names all and then each.
 */
export function splitRows(reading: Reading, rows: readonly Row[]): SplitRows {
  const { cells } = reading;
  const spec = SPECS[cells.file.kind];
  const said = cells.file.answers.split;
  if (spec === undefined || said === "count" || !cells.has(spec.sum))
    return { rows, leftOut: [], questions: [] };
  const { sum, same, by, isPart } = spec;
  const sumOf = (row: Row): number => sumOfCell(reading, row, sum) ?? 0;
  const splits: Split<Row>[] = splitsIn(
    rows,
    sumOf,
    (whole, row) =>
      cells.of(whole, same[0] ?? "") !== "" &&
      same.every((field) => cells.of(whole, field) === cells.of(row, field)) &&
      isPart(cells.of(whole, by), cells.of(row, by)),
  );
  if (splits.length === 0) return { rows, leftOut: [], questions: [] };
  const out = new Set(splits.flatMap(({ parts }) => parts.map(({ line }) => line)));
  const shown = (row: Row): string => formatAmount(sumOf(row), reading.currencyOf(row));
  return {
    rows: rows.filter(({ line }) => !out.has(line)),
    leftOut: [...out].map((line) => ({ line, why: "part" })),
    questions: said === "leave" ? [] : splitQuestion(splits, shown),
  };
}
