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

/** Whether the column that says what each line is, of a statement or of activity, names documents. */
export const areDocuments = (table: Table, columnsOf: (kind: FileKind) => Columns): boolean =>
  saysDocuments(table, columnsOf("bank").direction ?? columnsOf("processor").kind);
