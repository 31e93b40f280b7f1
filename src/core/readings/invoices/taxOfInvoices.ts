import { plainWords } from "@/core/formats";
import { formatAmount } from "@/core/money";

import { type Reading, sumOfCell } from "../canonical";
import { isAgreed, type Row } from "../cells";
import type { Question } from "../types";

/** Heads of sums before tax, and of sums with it, in six languages (common practice, no source). */
const BEFORE =
  /\b(net|netto|neto|nett|ht|hors taxes?|excl|excluding|ex|before|subtotal|sub total|untaxed|taxable|imponibile|base)\b/;
const WITH =
  /\b(gross|brutto|bruto|ttc|incl|including|inc|grand total|total|gesamtbetrag|rechnungsbetrag|totale|totaal)\b/;

/** Heads that say by themselves that a tax is still to come on top. */
const WITHOUT =
  /\b(excl|excluding|exclusive|before|subtotal|sub total|untaxed|taxable|ht|hors taxes?|netto|nettobetrag|ohne|zzgl|imponibile|senza)\b/;

/** Whether the tax of an invoice comes on top of its sum; null where the file leaves it open. */
export function taxOnTop(reading: Reading, rows: readonly Row[]): boolean | null {
  const { cells } = reading;
  const said = cells.file.answers.taxed;
  if (said === "on_top" || said === "within") return said === "on_top";
  const taxed = rows.filter(
    (row) => sizeOf(reading, row, "tax") !== 0 && totalOf(reading, row) !== 0,
  );
  if (!cells.has("tax") || !cells.has("total") || taxed.length === 0) return false;
  const footing = taxed.filter((row) => cells.of(row, "balance") !== "");
  const owed = (row: Row): number =>
    ["balance", "paid", "credited"].reduce((sum, field) => sum + sizeOf(reading, row, field), 0);
  const within = footing.some((row) => owed(row) <= totalOf(reading, row) && owed(row) !== 0);
  const onTop = footing.some(
    (row) => owed(row) === totalOf(reading, row) + sizeOf(reading, row, "tax"),
  );
  if (onTop !== within) return onTop;
  const head = plainWords(cells.head("total"));
  if (BEFORE.test(head)) return true;
  return WITH.test(head) || isAgreed(cells) ? false : null;
}

const sizeOf = (reading: Reading, row: Row, field: string): number =>
  Math.abs(sumOfCell(reading, row, field) ?? 0);
const totalOf = (reading: Reading, row: Row): number => sizeOf(reading, row, "total");

/** Sums that are said to be without their tax, where no column says how much that is, or what is open. */
function withoutTax(reading: Reading, rows: readonly Row[]): Question[] {
  const { cells } = reading;
  const first = rows.find((row) => totalOf(reading, row) !== 0);
  const isSaid = isAgreed(cells) || cells.has("tax") || cells.has("balance");
  const isAsked = cells.has("total") && WITHOUT.test(plainWords(cells.head("total")));
  if (!first || isSaid || !isAsked || cells.file.answers.taxed !== undefined) return [];
  const shown = formatAmount(totalOf(reading, first), reading.currencyOf(first));
  return [
    {
      key: "taxed",
      words: `“${cells.head("total")}” is without tax, and no column says how much that is. What is owed?`,
      choices: [
        {
          answer: "take",
          result: `no tax comes on top: line ${first.line} is made out for ${shown}`,
        },
      ],
    },
  ];
}

/** Whether the tax that stands beside a sum is in it already. */
export function taxQuestion(reading: Reading, rows: readonly Row[]): Question[] {
  const open = withoutTax(reading, rows);
  if (open.length > 0) return open;
  const first = rows.find((row) => sizeOf(reading, row, "tax") !== 0);
  if (!first || taxOnTop(reading, rows) !== null) return [];
  const { cells } = reading;
  const shown = (sum: number): string => formatAmount(sum, reading.currencyOf(first));
  const [total, tax] = [totalOf(reading, first), sizeOf(reading, first, "tax")];
  return [
    {
      key: "taxed",
      words: `Is “${cells.head("tax")}” in “${cells.head("total")}” already, or on top of it?`,
      choices: [
        { answer: "within", result: `in it: line ${first.line} is made out for ${shown(total)}` },
        {
          answer: "on_top",
          result: `on top: line ${first.line} is made out for ${shown(total + tax)}`,
        },
      ],
    },
  ];
}
