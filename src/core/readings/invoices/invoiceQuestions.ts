import { plainWords } from "@/core/formats";
import { formatAmount } from "@/core/money";

import { type Reading, sumOfCell } from "../canonical";
import { isAgreed, type Row, some } from "../cells";
import { openWords } from "../grouped";
import { PARTLY, sureKindOf, sureStanding } from "./documentWords";
import { statedOpen } from "./emptyOpen";
import { ages, openByAge } from "./openByAge";
import { openInWords } from "./openInWords";
import { movementOf } from "./runningBalance";
import type { Question } from "../types";

export const said = (reading: Reading, key: string): string | undefined =>
  reading.cells.file.answers[key];

/** Types of documents that say nothing sure. */
export function wordQuestions(
  reading: Reading,
  rows: readonly Row[],
  isCredited: (row: Row) => boolean,
): Question[] {
  const open = unsureWords(reading, rows, {
    field: "type",
    key: "word",
    sure: (word) => sureKindOf(word) !== null,
  });
  return open.map(([word, lines]) => ({
    key: `word:${word}`,
    words: `${lines.length} ${lines.length === 1 ? "line is a" : "lines are a"} “${word}”, first line ${lines[0]?.line ?? 0}. What is that?`,
    choices: choicesOf(reading, lines, isCredited),
  }));
}

/** What a document may be, the likeliest first by what is open of it. */
function choicesOf(
  reading: Reading,
  lines: readonly Row[],
  isCredited: (row: Row) => boolean,
): Question["choices"] {
  const open = lines.map((row) => {
    const sum = statedOpen(reading, row) ?? movementOf(reading, row) ?? 0;
    return isCredited(row) ? -Math.abs(sum) : sum;
  });
  const invoice = { answer: "invoice", result: `an invoice: ${lines.length} taken in as open` };
  const credit = {
    answer: "credit",
    result: `a credit note: ${lines.length} taken in as what is owed to the customer`,
  };
  const leave = { answer: "leave", result: "neither: left out" };
  if (open.every((sum) => sum === 0)) return [leave, invoice, credit];
  return open.every((sum) => sum <= 0) ? [credit, leave, invoice] : [invoice, credit, leave];
}

/** States of documents that say nothing sure. */
export function standingQuestions(reading: Reading, rows: readonly Row[]): Question[] {
  const open = unsureWords(reading, rows, {
    field: "status",
    key: "state",
    sure: (word) => sureStanding(word) !== null,
  });
  return open.map(([word, lines]) => ({
    key: `state:${word}`,
    words: `${lines.length} ${lines.length === 1 ? "document stands" : "documents stand"} as “${word}”. Is it open?`,
    choices: [
      { answer: "open", result: `yes: ${lines.length} taken in as open` },
      { answer: "paid", result: "paid: nothing of it is open" },
      { answer: "void", result: "void: left out" },
    ],
  }));
}

const unsureWords = (
  reading: Reading,
  rows: readonly Row[],
  { field, key, sure }: { field: string; key: string; sure: (word: string) => boolean },
): ReturnType<typeof openWords<Row>> =>
  openWords(rows, (row) => {
    const word = reading.cells.of(row, field).toLowerCase();
    const isSaid = word === "" || sure(word) || said(reading, `${key}:${word}`) !== undefined;
    return isSaid ? null : word;
  });

/** Invoices with a total and nothing that says what of it is open. */
export function balanceQuestion(
  reading: Reading,
  rows: readonly Row[],
  totalOf: (row: Row) => number | null,
): Question[] {
  const { cells } = reading;
  if (cells.has("balance") || cells.has("paid") || said(reading, "balance") !== undefined)
    return [];
  // In the agreed layout an invoice without a balance is open in full.
  if (isAgreed(cells)) return [];
  const partly = rows.filter(
    (row) => PARTLY.test(plainWords(cells.of(row, "status"))) && openInWords(reading, row) === null,
  );
  const unsaid = rows.filter(
    (row) => cells.of(row, "status") === "" && openByAge(reading, row) === null,
  );
  const [first] = partly.length > 0 ? partly : unsaid;
  if (!first) return [];
  const sum = formatAmount(totalOf(first) ?? 0, reading.currencyOf(first));
  return [
    {
      key: "balance",
      words:
        partly.length > 0
          ? `${partly.length} invoices are paid in part, and no column says how much is open.`
          : "No column says what of each invoice is still open.",
      choices: [{ answer: "total", result: `all of it: line ${first.line} is open with ${sum}` }],
    },
  ];
}

/** Invoices that only what is open of them is said of. */
export function totalQuestion(reading: Reading, rows: readonly Row[]): Question[] {
  const { cells } = reading;
  const [first] = rows;
  if (!first || ["total", "debit"].some((field) => cells.has(field))) return [];
  const isOpenSaid = cells.has("balance") || ages(cells).length > 0;
  if (!isOpenSaid || said(reading, "total") !== undefined) return [];
  const open = sumOfCell(reading, first, "balance") ?? openByAge(reading, first) ?? 0;
  const sum = formatAmount(open, reading.currencyOf(first));
  return [
    {
      key: "total",
      words: "No column says what each invoice was made out for.",
      choices: [{ answer: "balance", result: `what is open of it: line ${first.line} has ${sum}` }],
    },
  ];
}

/** Credit notes by number alone (`CN-12`, `CM 7`) with a positive sum are asked about. */
export function creditSignQuestion(
  reading: Reading,
  rows: readonly Row[],
  isCredited: (row: Row) => boolean,
): Question[] {
  const { cells } = reading;
  if (cells.has("type") || said(reading, "credits") !== undefined) return [];
  // What stands on the credit side is one, whatever its number.
  const like = rows.filter((row) => !isCredited(row) && looksLikeCredit(reading, row));
  if (like.length === 0) return [];
  return [
    {
      key: "credits",
      words: `${some(like.map((row) => cells.of(row, "number")))} look like credit notes, and their sums are positive.`,
      choices: [
        { answer: "credits", result: "they are credit notes: they lower what is owed" },
        { answer: "invoices", result: "they are invoices: the customer owes them" },
      ],
    },
  ];
}

/** Invoices of which less than nothing is open: a sign of the list's own, or what the customer has to get. */
export function openSignQuestion(reading: Reading, rows: readonly Row[]): Question[] {
  if (said(reading, "openSign") !== undefined) return [];
  const against = rows.filter((row) => isAgainst(reading, row));
  const [first] = against;
  if (!first) return [];
  const open = sumOfCell(reading, first, "balance") ?? 0;
  const shown = (sum: number): string => formatAmount(sum, reading.currencyOf(first));
  return [
    {
      key: "openSign",
      words: `${against.length === 1 ? "1 invoice is" : `${against.length} invoices are`} open with a sum below zero (line ${first.line}: ${shown(open)}). What is that?`,
      choices: [
        { answer: "size", result: `what is open: line ${first.line} is open with ${shown(-open)}` },
        { answer: "written", result: "what the customer has too much, as written" },
      ],
    },
  ];
}

/** An invoice above zero whose balance is below it. */
export const isAgainst = (reading: Reading, row: Row): boolean =>
  (movementOf(reading, row) ?? 0) > 0 && (sumOfCell(reading, row, "balance") ?? 0) < 0;

/** A number that names a credit note, beside a positive sum. */
export const looksLikeCredit = (reading: Reading, row: Row): boolean =>
  /^(cn|cm|cr|crn|credit|gs|av)[-_ #/]?\d/i.test(reading.cells.of(row, "number")) &&
  (sumOfCell(reading, row, "total") ?? 0) > 0;
