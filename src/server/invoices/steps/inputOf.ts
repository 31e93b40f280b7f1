import type { DraftInput } from "@/contracts/invoices";
import type { Db } from "@/db/connection";
import { chargesOf, linesOf } from "@/db/documentLines";
import { type DocumentRow } from "@/db/documents";

/** A document that is kept, as it was typed. */
export function inputOf(db: Db, document: DocumentRow): DraftInput {
  return {
    customerId: document.customerId,
    issuedOn: document.issuedOn,
    terms: document.terms,
    dueOn: document.dueReason === null ? null : document.dueOn,
    dueReason: document.dueReason,
    currency: document.currency,
    poNumber: document.poNumber,
    note: document.note,
    lines: linesOf(db, document.id),
    discountPercent: document.discountPercent,
    discountSum: document.discountSum,
    charges: chargesOf(db, document.id),
    withholdingPercent: document.withholdingPercent,
    paysBy: document.paysBy,
  };
}
