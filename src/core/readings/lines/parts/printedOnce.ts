import type { FileKind } from "@/core/formats";

import { type Cells, isAgreedLayout, type Row } from "../../cells";
import { sureState } from "../../rowWords";
import { writtenSum } from "../../sums/sumCells";
import { sumFields } from "../../sums/sumFields";
import type { Question } from "../../types";

/** What a list may print once for several lines: the column that shows it, and those that go with it. */
type Once = { readonly field: string; readonly with: readonly string[]; readonly called: string };
const ONCE: Partial<Record<FileKind, Once>> = {
  bank: { field: "postedOn", with: [], called: "day" },
  invoices: { field: "customerId", with: [], called: "customer" },
  remittance: { field: "paidOn", with: ["trace", "payerName", "total"], called: "day of payment" },
};

type Whole = { readonly rows: readonly Row[]; readonly questions: readonly Question[] };

/**
 * Lists that print a day, a customer or a payment once, on the first of its lines: whether a line
 * without one is of the one above it is asked. The answer is kept with the mapping, as who writes one
 * list so writes all of them so.
 */
export function printedOnce(cells: Cells, rows: readonly Row[]): Whole {
  const { kind, table, answers } = cells.file;
  const once = ONCE[kind];
  const at = once ? table.headers.indexOf(cells.head(once.field)) : -1;
  if (!once || at < 0 || answers.above === "leave" || isAgreedLayout(cells))
    return { rows, questions: [] };
  const others = once.with
    .map((field) => table.headers.indexOf(cells.head(field)))
    .filter((place) => place >= 0);
  const places = [at, ...others];
  const above = places.map(() => "");
  const open: Row[] = [];
  const whole = rows.map((row) => {
    const own = cells.of(row, once.field);
    if (own !== "") {
      places.forEach((place, nth) => (above[nth] = (row.cells[place] ?? "").trim()));
      return row;
    }
    if (above[0] === "" || !hasSum(cells, row)) return row;
    const filled = { ...row, cells: filledIn(row.cells, places, above) };
    open.push(filled);
    return filled;
  });
  const [first] = open;
  if (!first) return { rows, questions: [] };
  const asked = {
    ...once,
    line: first.line,
    above: cells.of(first, once.field),
    count: open.length,
  };
  return answers.above === undefined
    ? { rows, questions: [question(asked)] }
    : { rows: whole, questions: [] };
}

const filledIn = (
  cells: readonly string[],
  places: readonly number[],
  above: readonly string[],
): string[] =>
  cells.map((cell, at) => (cell.trim() === "" ? (above[places.indexOf(at)] ?? cell) : cell));

/** Whether a line is money: what was never booked has no day on which it was. */
function hasSum(cells: Cells, row: Row): boolean {
  const isBooked =
    cells.of(row, "status") === "" || sureState(cells.of(row, "status")) === "counts";
  return (
    isBooked &&
    sumFields(cells).some(
      (field) => field !== "balance" && writtenSum(cells.of(row, field)) !== null,
    )
  );
}

type Asked = Once & { readonly line: number; readonly above: string; readonly count: number };

const question = ({ called, line, above, count }: Asked): Question => ({
  key: "above",
  words: `${count === 1 ? "1 line with a sum has" : `${count} lines with a sum have`} no ${called}, first line ${line}. Are they of the ${called} above them?`,
  choices: [
    { answer: "day", result: `yes: line ${line} is of ${above}` },
    { answer: "leave", result: `no: they are refused until their ${called} is said` },
  ],
});
