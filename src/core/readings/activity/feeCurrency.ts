import { headWords } from "@/core/formats";
import { currencyOf } from "@/core/money";

import { headsUsedAs, type Reading, sumOfCell } from "../canonical";
import { type Row, some } from "../cells";
import type { Question } from "../types";

/** Heads of what the fees beside are in (common practice, no source). */
const HEAD = /^(?:fees?|processing fees?|costs?|commissions?) (?:currency(?: code)?|ccy|curr)$/;

type Column = { readonly head: string; readonly at: number };

const columnOf = ({ cells }: Reading): Column | undefined =>
  cells.unread().find(({ head }) => HEAD.test(headWords(head)));

/** The currency of a line's fee, where it is another than that of its sum. */
function otherCurrency(reading: Reading, row: Row, { at }: Column): string | null {
  const said = (row.cells[at] ?? "").trim().toUpperCase();
  const currency = currencyOf(said);
  const hasFee = (sumOfCell(reading, row, "fee") ?? 0) !== 0;
  return hasFee && currency !== undefined && currency !== reading.currencyOf(row) ? said : null;
}

/** Whether a line's fee is in another currency than its sum, and was said to come apart from it. */
export function isFeeApart(reading: Reading, row: Row): boolean {
  const [head] = headsUsedAs(reading, "apart");
  const column = head === undefined ? undefined : columnOf(reading);
  return column?.head === head && column !== undefined
    ? otherCurrency(reading, row, column) !== null
    : false;
}

/** Fees in another currency than the sums beside them: no sum of this account. */
export function feeCurrencyQuestion(reading: Reading, rows: readonly Row[]): Question[] {
  const column = columnOf(reading);
  if (column === undefined || reading.cells.file.answers[`column:${column.head}`] !== undefined)
    return [];
  const open = rows.filter((row) => otherCurrency(reading, row, column) !== null);
  const [first] = open;
  if (!first) return [];
  const said = some(open.map((row) => (row.cells[column.at] ?? "").trim()));
  const lines = open.length === 1 ? "1 line" : `${open.length} lines`;
  return [
    {
      key: `column:${column.head}`,
      words: `“${column.head}” says ${said} on ${lines}, first line ${first.line}, and the sum beside it is in ${reading.currencyOf(first)}.`,
      choices: [
        { answer: "apart", result: `the fees of ${lines} are left out: they come in another file` },
        { answer: "leave", result: "every fee is in the currency of its line" },
      ],
    },
  ];
}
