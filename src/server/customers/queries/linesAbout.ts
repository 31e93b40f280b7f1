import { formatAmount } from "@/core/money";
import type { Db } from "@/db/connection";
import { linesOf } from "@/db/documentLines";
import { documentOfItem } from "@/db/documents";

/** The lines of an invoice that was written here, each with its sum, in words; none of one that came by a file. */
export function linesAbout(db: Db, itemId: number): string[] {
  const document = documentOfItem(db, itemId);
  if (!document) return [];
  return linesOf(db, document.id).map(
    ({ description, amount }) => `${description}, ${formatAmount(amount, document.currency)}`,
  );
}
