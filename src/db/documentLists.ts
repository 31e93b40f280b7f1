import type { BilledBefore } from "@/core/invoices";

import type { Db } from "./connection";
import type { DocumentRow } from "./documents";

/** A document in a list, with its customer's name. */
export type DocumentListed = Pick<
  DocumentRow,
  | "id"
  | "kind"
  | "stage"
  | "issuedOn"
  | "dueOn"
  | "currency"
  | "total"
  | "poNumber"
  | "customerId"
  | "writtenBy"
> & { customer: string; words: string | null };

/** What is written and not approved yet, the latest first. */
export function unapprovedDocuments(db: Db): DocumentListed[] {
  return db.all<DocumentListed>(
    `SELECT d.id, d.kind, d.stage, d.issued_on AS issuedOn, d.due_on AS dueOn, d.currency, d.total,
       d.po_number AS poNumber, d.customer_id AS customerId, d.written_by AS writtenBy, c.name AS customer,
       (SELECT description FROM document_line WHERE document_id = d.id ORDER BY line_no LIMIT 1) AS words
     FROM document d JOIN customer c ON c.id = d.customer_id
     WHERE d.stage IN ('draft', 'waiting')
     ORDER BY d.id DESC`,
  );
}

/** Descriptions that were billed, with their latest rate: this customer's own first. */
export function lastPrices(db: Db, customerId: number): BilledBefore[] {
  return db.all(
    `SELECT item, description, rate, tax_code AS taxCode FROM (
       SELECT l.item, l.description, l.rate, l.tax_code, d.customer_id = ? AS own, max(d.id) AS latest
       FROM document_line l JOIN document d ON d.id = l.document_id
       WHERE d.kind = 'invoice' AND d.stage <> 'dropped'
       GROUP BY l.description, d.customer_id = ?
     )
     GROUP BY description HAVING own = max(own)
     ORDER BY own DESC, latest DESC LIMIT 300`,
    customerId,
    customerId,
  );
}

/** The invoice that was written last. */
export function latestDocument(db: Db): number | undefined {
  return db.get<{ id: number }>(
    "SELECT id FROM document WHERE kind = 'invoice' AND stage <> 'dropped' ORDER BY id DESC LIMIT 1",
  )?.id;
}
