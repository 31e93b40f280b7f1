import { plainWords, type Table } from "@/core/formats";

import type { Columns } from "./sheet";

/** Words of a ledger's list for what it wrote out, which no bank has for a line of its own. */
const DOCUMENT =
  /^(?:(?:sales |tax )?invoice|inv|credit (?:note|memo)|rechnung|facture|avoir|factura|fattura|nota di credito|factuur|creditnota)$/;
/** Rows that it is told by. */
const MOST_LOOKED_AT = 500;

/** Whether a column of types names documents: then its balance is what a customer owes, and no bank's. */
export function saysDocuments({ headers, rows }: Table, { direction }: Columns): boolean {
  const at = headers.indexOf(direction ?? "");
  if (at < 0) return false;
  const looked = rows.slice(0, MOST_LOOKED_AT).map(({ cells }) => plainWords(cells[at] ?? ""));
  return looked.some((word) => DOCUMENT.test(word));
}
