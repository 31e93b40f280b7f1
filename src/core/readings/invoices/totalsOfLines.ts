import { plainWords } from "@/core/formats";
import { parseAmount } from "@/core/money";

import { type Made, type Reading, sumUnderHead } from "../canonical";

type Group = Made["rows"];

/** Heads of what a whole invoice is made out for, whatever stands on its lines. */
const WHOLE =
  /\b(invoice|inv|document|doc|grand|bill|rechnungsbetrag|gesamtbetrag|facture|factura|fattura|factuur)\b/;

/**
 * Whether sums that are the same on each line of an invoice are those of the whole: by the head of
 * their column, as only a whole is open or not, or as another column of the file adds up to them.
 */
export function areTotals(reading: Reading, groups: readonly Group[]): boolean {
  const { cells } = reading;
  if (cells.has("balance") || WHOLE.test(plainWords(cells.head("total")))) return true;
  return (
    groups.length > 0 &&
    cells.unread().some(({ head }) => groups.every((group) => addsUp(reading, group, head)))
  );
}

function addsUp(reading: Reading, group: Group, head: string): boolean {
  const [first] = group;
  const rows = new Map(reading.cells.file.table.rows.map((row) => [row.line, row]));
  const parts = group.map(({ line }) => {
    const row = rows.get(line);
    return row === undefined ? null : sumUnderHead(reading, row, head);
  });
  const currency = reading.currencyOf(rows.get(first?.line ?? 0) ?? { line: 0, cells: [] });
  const total = parseAmount(first?.fields.total ?? "", ".", currency);
  const sum = parts.reduce((all: number, part) => all + (part ?? 0), 0);
  return total.ok && total.value !== 0 && sum === total.value;
}
