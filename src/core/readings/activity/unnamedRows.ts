import { ROW_KINDS, type RowKind } from "@/core/activity/index";
import { headWords } from "@/core/formats";
import { formatAmount } from "@/core/money";

import type { Reading } from "../canonical";
import type { Cells, Row } from "../cells";
import { movedBy } from "./kindsInText";
import { areLinesNamed, saidOfLines } from "./linesAre";
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
  if (cells.file.answers.negatives !== undefined || isSaid || areLinesNamed(cells, rows)) return [];
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
const OF_PAYMENTS = ["kind", "payerName", "payerEmail", "relatedId", "brand"];
/** Heads that speak of what arrives at the bank, in several languages, and of payments (common practice, no source). */
const OF_PAYOUTS =
  /\b(?:payouts?|paid out|arriv(?:al|ed|es)|to (?:the |your )?bank|deposit(?:s|ed)?|disburse(?:d|ment)s?|fund(?:ed|ing)|transfer(?:red|s)?|remitted|auszahlung(?:en|s\w*)?|virements?|transferencias?|uitbetaling(?:en)?|bonific[oi])\b/;
const OF_PAYMENT =
  /^(?:order|charge|payment|transaction|txn|trans|invoice|receipt|sale)s?(?: (?:id|no|number|ref|reference|key|name))?$/;

/** Lines of which nothing says what was paid by whom, and which a head calls payouts: they may be those payouts. */
export function payoutsQuestion(reading: Reading, rows: readonly Row[]): Question[] {
  const { cells } = reading;
  const [first] = rows;
  const isSaid = cells.file.answers.payouts !== undefined || saidOfLines(cells) !== undefined;
  if (isSaid || !first || OF_PAYMENTS.some((field) => cells.column(rows, field).length > 0))
    return [];
  const named = cells.column(rows, "payoutId");
  if (named.length > 0 ? !isEachItsOwn(cells, rows, named) : !speaksOfPayouts(cells, rows))
    return [];
  const sum = formatAmount(movedBy(reading, first), reading.currencyOf(first));
  return [
    {
      key: "payouts",
      words: `${named.length > 0 ? "Each line names a payout of its own, and nothing" : "Nothing"} says what was paid by whom (line ${first.line}: ${sum}). Are the lines payouts, or payments of customers?`,
      choices: [
        { answer: "payout", result: "payouts: what the processor sent to the bank" },
        { answer: "charge", result: "payments of customers" },
      ],
    },
  ];
}

/** Whether each line has a payout that no other has, and no id or words beside it. */
const isEachItsOwn = (cells: Cells, rows: readonly Row[], named: readonly string[]): boolean =>
  named.length === rows.length &&
  new Set(named).size === named.length &&
  cells.column(rows, "id").length === 0 &&
  new Set(cells.column(rows, "reference")).size <= 1;

/** Whether a head speaks of payouts, and none of a payment, nor words of a line. */
function speaksOfPayouts(cells: Cells, rows: readonly Row[]): boolean {
  const heads = cells.file.table.headers.map((head) => headWords(head));
  return (
    heads.some((head) => OF_PAYOUTS.test(head)) &&
    !heads.some((head) => OF_PAYMENT.test(head)) &&
    !cells.column(rows, "reference").some((text) => /\p{L}{3}/u.test(text))
  );
}
