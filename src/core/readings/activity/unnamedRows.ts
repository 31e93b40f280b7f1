import { ROW_KINDS, type RowKind } from "@/core/activity/index";
import { formatAmount } from "@/core/money";

import type { Reading } from "../canonical";
import type { Cells, Row } from "../cells";
import { movedBy } from "./kindsInText";
import { linesNamed, saidOfLines } from "./linesAre";
import { saidByTitle, titleQuestion } from "../lines/titles";
import type { Question } from "../types";

/** What a line that takes money may be, the likeliest first. */
export const TAKING: readonly RowKind[] = [
  "refund",
  "payout",
  "fee",
  "dispute",
  "ach_return",
  "adjustment",
  "ignore",
];

/** What a line without a word for its kind is: a charge where it brings money, else what was said. */
export function unnamedKind(reading: Reading, row: Row): RowKind {
  if (reading.cells.file.answers.payouts === "payout") return "payout";
  const ofAll = saidOfLines(reading.cells) ?? kindByTitle(reading.cells);
  if (ofAll !== undefined && ofAll !== "charge") return ofAll;
  if (!takes(reading, row)) return "charge";
  const said = reading.cells.file.answers.negatives as RowKind | undefined;
  return said !== undefined && TAKING.includes(said) ? said : "charge";
}

/** The kind that the title of the list was said to give its lines. */
const kindByTitle = (cells: Cells): RowKind | undefined => {
  const said = saidByTitle(cells);
  return TAKING.find((kind) => kind === said);
};

const takes = (reading: Reading, row: Row): boolean => movedBy(reading, row) < 0;

/** Lines that take money and that no column says the kind of. */
export function takingQuestion(
  reading: Reading,
  rows: readonly Row[],
  wordOf: (row: Row) => string,
): Question[] {
  const { cells } = reading;
  const isSaid = kindByTitle(cells) !== undefined || titleQuestion(cells, rows).length > 0;
  if (cells.file.answers.negatives !== undefined || isSaid || linesNamed(cells, rows) !== null)
    return [];
  const open = rows.filter((row) => wordOf(row) === "" && takes(reading, row));
  const [first] = open;
  if (!first) return [];
  const sum = formatAmount(movedBy(reading, first), reading.currencyOf(first));
  return [
    {
      key: "negatives",
      words: `${open.length === 1 ? "1 line takes" : `${open.length} lines take`} money (line ${first.line}: ${sum}), and no column says what that is.`,
      choices: TAKING.map((kind) => ({
        answer: kind,
        result: kind === "ignore" ? "none of this: left out" : ROW_KINDS[kind].label,
      })),
    },
  ];
}

/** Fields by which a payment is told from a payout. */
const OF_PAYMENTS = ["id", "kind", "fee", "payerName", "payerEmail", "relatedId"];

/** Lines of which each names a payout of its own, and nothing else: they may be those payouts. */
export function payoutsQuestion(reading: Reading, rows: readonly Row[]): Question[] {
  const { cells } = reading;
  const named = cells.column(rows, "payoutId");
  const isOpen =
    cells.file.answers.payouts === undefined &&
    named.length > 0 &&
    named.length === rows.length &&
    new Set(named).size === named.length &&
    OF_PAYMENTS.every((field) => cells.column(rows, field).length === 0) &&
    new Set(cells.column(rows, "reference")).size <= 1;
  const [first] = rows;
  if (!isOpen || !first) return [];
  const sum = formatAmount(movedBy(reading, first), reading.currencyOf(first));
  return [
    {
      key: "payouts",
      words: `Each line names a payout of its own, and nothing says what was paid by whom (line ${first.line}: ${sum}). Are the lines payouts, or payments of customers?`,
      choices: [
        { answer: "payout", result: "payouts: what the processor sent to the bank" },
        { answer: "charge", result: "payments: each in a payout of its own" },
      ],
    },
  ];
}
