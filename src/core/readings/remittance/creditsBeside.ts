import { plainWords } from "@/core/formats";
import { type Minor, minor } from "@/core/money";

import { inText, type Made, type Reading, sumOfCell, sumUnderHead } from "../canonical";
import type { Row } from "../cells";

const CREDIT = /\b(?:credit|credits|cm|cn|credit ?(?:memo|note)s?|gutschrift|avoir)\b/;
const NUMBER = /\b(?:no|nr|num|number|id|ref|reference)\b|#/;

/** The columns of a credit note that was taken along with an invoice, on the line of that. */
type Beside = { readonly numberAt: number; readonly sumHead: string };

/**
 * Where each line has a column for the number and one for the sum of a credit note, and what was paid is
 * what it leaves of the invoice, by another column: the credit is a line of its own, and the invoice is
 * paid with both.
 */
export function creditsBeside(
  reading: Reading,
  rows: readonly Row[],
): (row: Row, fields: Readonly<Record<string, string>>) => Made["rows"] {
  const beside = columnsOf(reading, rows);
  return (row, fields) => {
    const whole = [{ line: row.line, fields }];
    if (beside === null) return whole;
    const number = (row.cells[beside.numberAt] ?? "").trim();
    const credit = Math.abs(sumUnderHead(reading, row, beside.sumHead) ?? 0);
    if (number === "" || credit === 0) return whole;
    const text = (sum: number): string => inText(minor(sum), reading.currencyOf(row));
    const paid = sumOfCell(reading, row, "amount") ?? 0;
    return [
      { line: row.line, fields: { ...fields, amount: text(paid + credit) } },
      { line: row.line, fields: { ...fields, number, amount: text(-credit), discount: "" } },
    ];
  };
}

function columnsOf(reading: Reading, rows: readonly Row[]): Beside | null {
  const { cells } = reading;
  if (!cells.has("amount") || !cells.has("number")) return null;
  const heads = cells
    .unread()
    .map(({ head, at }) => ({ head, at, plain: plainWords(head.replaceAll("#", " no ")) }));
  const numbers = heads.filter(({ plain }) => CREDIT.test(plain) && NUMBER.test(plain));
  const sums = heads.filter(({ plain }) => CREDIT.test(plain) && !NUMBER.test(plain));
  for (const { at: numberAt } of numbers)
    for (const { head: sumHead } of sums)
      if (heads.some(({ head }) => head !== sumHead && leaves(reading, rows, [head, sumHead])))
        return { numberAt, sumHead };
  return null;
}

/** Whether what a credit and a discount leave of a column is what was paid, on every line. */
function leaves(
  reading: Reading,
  rows: readonly Row[],
  [whole, credit]: readonly [string, string],
): boolean {
  const size = (sum: Minor | null): number => Math.abs(sum ?? 0);
  return rows.every((row) => {
    const owed = sumUnderHead(reading, row, whole);
    const off = size(sumUnderHead(reading, row, credit));
    const discount = size(sumOfCell(reading, row, "discount"));
    return owed !== null && owed - off - discount === sumOfCell(reading, row, "amount");
  });
}
