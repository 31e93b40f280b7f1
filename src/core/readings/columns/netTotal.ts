import { type FileKind, plainWords, type Table } from "@/core/formats";

type Columns = Record<string, string>;

/** Heads of what an invoice comes to before its tax, in six languages (common practice, no source). */
const BEFORE_TAX =
  /^(?:sub ?total|net(?:to)?(?: amount| total| betrag)?|nettobetrag|untaxed amount|taxable amount|amount before tax|total before tax|montant ht|total ht|base imponible|imponibile)$/;

/**
 * Where no column of a list of invoices says what they come to, or what is open of them, they come to
 * what stands before the tax, and the tax.
 */
export function withNetTotal(table: Table, kind: FileKind, columns: Columns): Columns {
  const { total, balance, debit, tax } = columns;
  const isSaid = [total, balance, debit].some((head) => head !== undefined);
  if (kind !== "invoices" || isSaid || tax === undefined) return columns;
  const taken = new Set(Object.values(columns));
  const head = table.headers.find((name) => !taken.has(name) && BEFORE_TAX.test(plainWords(name)));
  return head === undefined ? columns : { ...columns, total: head };
}
