import { type FileKind, plainWords, type Table } from "@/core/formats";

import { isDate, isSum } from "./contents";
import type { Question, Unread } from "../types";

/** Heads of numbers that a payer gives to what it has booked, as well as of those of our invoices. */
const OF_EITHER = /^(?:document|doc|voucher|beleg)(?:nummer|nr)?(?: (?:number|no|nr|num|id))?$/;
/**
 * Heads of what a document is called where it comes from, which for a payer is our invoice; and in a
 * ledger's own list of what it calls our invoice beside the number of its booking.
 */
const OF_ORIGIN: Readonly<Partial<Record<FileKind, RegExp>>> = {
  remittance:
    /\b(?:reference|ref|referenz|your|supplier|vendor|external|invoice|rechnung|facture)\b/,
  invoices: /\b(?:invoice|rechnung\w*|facture|factura|fattura)\b/,
};
/** Heads of what else has a number. */
const OF_ELSE =
  /\b(?:payment|check|cheque|eft|ach|bank|po|purchase|order|customer|account|date|amount|amt|tax|vat|total|balance|count|qty|quantity|days|line|lines|items?|rate|period|original|related|credited)\b/;
/** A column that says it on fewer lines names other documents: the invoice of a credit note. */
const MOST_OF = 0.8;

/** A longer head is no answer. */
const LONGEST = 100;

type Numbers = {
  readonly taken: string;
  readonly other: string;
  readonly row: Table["rows"][number];
};

/**
 * Two columns of which either may hold the numbers of our invoices: a payer books an invoice under a
 * number of its own and says ours beside it. Null where there is one alone.
 */
function numbersIn({ kind, table, columns }: Unread): Numbers | null {
  const { number: taken, trace } = columns;
  const ofOrigin = OF_ORIGIN[kind];
  if (ofOrigin === undefined || table.kind !== undefined || taken === undefined) return null;
  if (!OF_EITHER.test(plainWords(taken))) return null;
  const used = new Set(Object.values(columns));
  const cellsUnder = (head: string): string[] =>
    table.rows.map(({ cells }) => (cells[table.headers.indexOf(head)] ?? "").trim());
  const others = table.headers.filter((head) => {
    const plain = plainWords(head);
    if (!ofOrigin.test(plain) || OF_ELSE.test(plain)) return false;
    const filled = cellsUnder(head).filter((cell) => cell !== "");
    // What is the same on all lines, or is all that names the payment, is that of the payment.
    const isOfPayment = head === trace && new Set(filled).size < 2;
    const isFree = (head === trace || !used.has(head)) && head.length <= LONGEST;
    const isOnMost = filled.length >= table.rows.length * MOST_OF;
    return isFree && !isOfPayment && isOnMost && areNumbers(filled);
  });
  const [other] = others;
  const row = table.rows.find(({ cells }) => isFilled(table, cells, [taken, other ?? ""]));
  return other !== undefined && row !== undefined ? { taken, other, row } : null;
}

const isFilled = (
  { headers }: Table,
  cells: readonly string[],
  heads: readonly string[],
): boolean => heads.every((head) => (cells[headers.indexOf(head)] ?? "").trim() !== "");

const areNumbers = (cells: readonly string[]): boolean =>
  cells.length > 0 &&
  cells.every(
    (cell) => /\d/.test(cell) && !isDate(cell) && !(isSum(cell) && /[.,]\d\d$/.test(cell)),
  );

/** An advice, or a list of invoices, with the column of our numbers that was said. */
export function withOurNumbers(file: Unread): Unread {
  const numbers = numbersIn(file);
  if (numbers === null || file.answers.number !== numbers.other) return file;
  const { trace, ...others } = file.columns;
  const columns = trace === numbers.other || trace === undefined ? others : { ...others, trace };
  return { ...file, columns: { ...columns, number: numbers.other } };
}

/** Which of two columns holds the numbers of our invoices. */
export function numberQuestion(file: Unread): Question[] {
  const numbers = file.answers.number === undefined ? numbersIn(file) : null;
  if (numbers === null) return [];
  const { taken, other, row } = numbers;
  const cell = (head: string): string =>
    (row.cells[file.table.headers.indexOf(head)] ?? "").trim().slice(0, 40);
  return [
    {
      key: "number",
      words: `“${taken}” and “${other}” both hold numbers of documents. Which are those of your invoices?`,
      choices: [other, taken].map((head) => ({
        answer: head,
        result: `“${head}”: line ${row.line} is for ${cell(head)}`,
      })),
    },
  ];
}
