import { type FileKind, plainWords, type Table } from "@/core/formats";

type Columns = Record<string, string>;

/** Heads of what a customer is called, beside those of its number, in six languages (common practice, no source). */
const NAME =
  /^(?:(?:customer|client|cust|account|acct|bill to|sold to|debtor|contact|card|partner|kunden?|klant|cliente) ?(?:full )?(?:name|naam)|(?:customer|client|name|full name|display name|kunde|debiteur|klant|cliente|raison sociale|ragione sociale|razon social)|nom (?:du )?client|nombre (?:del )?cliente|nome cliente)$/;

/**
 * A list of invoices that names its customers beside their numbers: the name is held against whom the
 * book has under the number.
 */
export function withCustomerName(table: Table, kind: FileKind, columns: Columns): Columns {
  if (kind !== "invoices") return columns;
  const { customerName, ...others } = columns;
  // Where nothing numbers them, they are found by their names.
  if (columns.customerId === undefined)
    return customerName === undefined ? columns : { ...others, customerId: customerName };
  if (customerName !== undefined) return columns;
  const taken = new Set(Object.values(columns));
  const head = table.headers.find((name) => !taken.has(name) && NAME.test(plainWords(name)));
  return head === undefined ? columns : { ...columns, customerName: head };
}
