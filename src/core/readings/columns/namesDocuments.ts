import { type FileKind, plainWords, type Table } from "@/core/formats";

import type { Columns } from "./sheet";

/** Words of a ledger's list for what it wrote out, which neither a bank nor a processor has for a line of its own. */
const DOCUMENT =
  /^(?:(?:sales |tax )?invoice|inv|credit (?:note|memo)|rechnung|facture|avoir|factura|fattura|nota di credito|factuur|creditnota)$/;
/** Rows that it is told by. */
const MOST_LOOKED_AT = 500;

/** Whether a column of types names documents: then its sums are what customers owe, and no money. */
export function saysDocuments({ headers, rows }: Table, head: string | undefined): boolean {
  const at = headers.indexOf(head ?? "");
  if (at < 0) return false;
  const looked = rows.slice(0, MOST_LOOKED_AT).map(({ cells }) => plainWords(cells[at] ?? ""));
  return looked.some((word) => DOCUMENT.test(word));
}

/** What a customer's account has for lines, each with its number perhaps: invoices and payments of them. */
const OF_ACCOUNT =
  /^(?:(?:sales |tax )?invoice|inv|payment(?: received)?|credit (?:note|memo)|refund|finance charge|late fee|(?:opening|previous) balance|balance (?:brought )?forward|rechnung|zahlung|facture|paiement|factura|pago)(?: (?:no )?[a-z]{0,4}\d*)?$/;

const INVOICED = /^(?:sales |tax )?(?:inv|rechnung|fact)/;

/** Whether the words of all lines are those of a customer's account, invoices among others. */
export function tellsAccount({ headers, rows }: Table, head: string | undefined): boolean {
  const at = headers.indexOf(head ?? "");
  const looked = rows.slice(0, MOST_LOOKED_AT).map(({ cells }) => plainWords(cells[at] ?? ""));
  const words = at < 0 ? [] : looked.filter((word) => word !== "");
  return (
    words.every((word) => OF_ACCOUNT.test(word)) &&
    words.some((word) => INVOICED.test(word)) &&
    !words.every((word) => INVOICED.test(word))
  );
}

/** Whether the column that says what each line is, of a statement or of activity, names documents. */
export const areDocuments = (table: Table, columnsOf: (kind: FileKind) => Columns): boolean =>
  saysDocuments(table, columnsOf("bank").direction ?? columnsOf("processor").kind) ||
  tellsAccount(table, columnsOf("bank").description);
