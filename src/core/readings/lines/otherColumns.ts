import { formatAmount } from "@/core/money";

import { isDate } from "../columns/contents";
import { plainWords } from "@/core/formats";
import { ages } from "../invoices/openByAge";
import { isHeld } from "../sums/costHeads";
import type { Cells } from "../cells";
import { type Around, provenParts } from "../sums/provenParts";
import { sumUnder, writtenSum } from "../sums/sumCells";
import { sumFields } from "../sums/sumFields";
import { isFeeBack, usesOf } from "./usesOfColumns";
import type { Question } from "../types";

const MONEY_HEAD =
  /\b(amounts?|payments?|fees?|tax|taxes|paid|refund(s|ed)?|total|credits?|debits?|discounts?|tips?|gratuity|surcharge|adjustments?|withheld|withholding|commission|costs?|charges?|gst|vat|hst|betrag|gebuhr|steuer|mwst|rabatt|montant|frais|remise|taxe|importe|impuesto|descuento|comision|deduction|allowance|chargeback|held|reserved?|retained)\b/;
const NO_MONEY_HEAD =
  /\b(rate|price|qty|quantity|percent|zip|postal|phone|exchange|days|count|number|no|id|code|ref|reference|date|time|limit|currency|last4|last 4|last four|digits|bin)\b/;

const COUNT_HEAD = /\b(no|number|nr|count|qty|quantity|id|code|ref|doc|document)\b|^#|^of$/;

/** Columns that no field has taken and that may change a sum: each is asked about, once. */
export function otherColumns(around: Around, footed: boolean): Question[] {
  const { cells, rows } = around;
  const proven = footed ? new Set<string>() : provenParts(around);
  return cells.unread().flatMap(({ head, at }) => {
    const filled = rows.map((row) => (row.cells[at] ?? "").trim());
    if (cells.file.answers[`column:${head}`] !== undefined || ages(cells).includes(head)) return [];
    const isOpen =
      (!footed && !proven.has(head)) || isBesideNet(around, head) || isOfOtherList(cells, at);
    if (isOpen && isMoney(head, filled) && !says(around, filled))
      return [moneyQuestion(around, head, filled)];
    return [];
  });
}

/**
 * What a processor keeps back lies within the net of a charge, and comes later; what a customer keeps back
 * lies within what is not open of an invoice, and is owed: no sum of a line shows it.
 */
const isBesideNet = ({ cells }: Around, head: string): boolean =>
  (isHeld(head) && (cells.file.kind === "processor" || cells.file.kind === "invoices")) ||
  (cells.file.kind === "processor" && isFeeBack(head));

/** Whether an empty column without a head parts it from every column that is read: a list beside the list. */
function isOfOtherList({ file: { table, columns } }: Cells, at: number): boolean {
  const read = Object.values(columns).map((head) => table.headers.indexOf(head));
  const gap = table.headers.findLastIndex((head, place) => place < at && head === "");
  return gap > 0 && read.every((place) => place < gap);
}

function isMoney(head: string, filled: readonly string[]): boolean {
  const cells = filled.filter((cell) => cell !== "");
  const sums = cells.flatMap((cell) => writtenSum(cell) ?? []);
  const worth = sums.filter(({ digits }) => /[1-9]/.test(digits));
  if (worth.length === 0 || sums.length < cells.length * 0.6 || cells.every(isDate)) return false;
  const plain = plainWords(head);
  if (/%/.test(head)) return false;
  // A number of payments, or that of one, is no sum though its head names them.
  if (COUNT_HEAD.test(plain) && worth.every(({ digits }) => /^\d+$/.test(digits))) return false;
  if (MONEY_HEAD.test(plain)) return true;
  return !NO_MONEY_HEAD.test(plain) && worth.some(({ digits }) => /[.,]\d{2}$/.test(digits));
}

/** Whether a column says again what a column that is read says already, on every line. */
function says({ cells, rows, reading, context }: Around, filled: readonly string[]): boolean {
  const value = (cell: string): number => {
    const written = writtenSum(cell);
    return Math.abs(
      (written && sumUnder(written, { ...reading, currency: context.currency })) ?? 0,
    );
  };
  return sumFields(cells).some((field) =>
    rows.every((row, at) => value(filled[at] ?? "") === value(cells.of(row, field))),
  );
}

function moneyQuestion(
  { cells, rows, reading, context }: Around,
  head: string,
  filled: readonly string[],
): Question {
  const at = filled.findIndex((cell) => /[1-9]/.test(writtenSum(cell)?.digits ?? ""));
  const written = writtenSum(filled[at] ?? "");
  const sum = (written && sumUnder(written, { ...reading, currency: context.currency })) ?? 0;
  const line = `line ${rows[at]?.line ?? 0}: ${formatAmount(sum, context.currency)}`;
  const uses = usesOf(cells.file.kind, head);
  const leave = { answer: "leave", result: `they change nothing (${line} is left out)` };
  const said = uses.map(([answer, words]) => ({ answer, result: `${words} (${line})` }));
  const isSure = uses.length === 1 && uses[0]?.[0] === "charged";
  return {
    key: `column:${head}`,
    words: `“${head}” holds sums, and nothing says whether they change what is posted.`,
    choices: isSure ? [...said, leave] : [leave, ...said],
  };
}
