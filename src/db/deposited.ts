import type { Stage } from "@/core/invoices";
import type { Currency, Minor } from "@/core/money";

import type { Db } from "./connection";

/** A deposit invoice and what is left of its net: not credited, and not taken off by an approved invoice. */
export type DepositLeft = {
  id: number;
  stage: Stage;
  number: string;
  customerId: number;
  currency: Currency;
  left: Minor;
};

/** Undefined where the document is no deposit invoice. */
export function depositLeft(db: Db, documentId: number): DepositLeft | undefined {
  return db.get<DepositLeft>(
    `SELECT d.id, d.stage, coalesce(d.number, '') AS number, d.customer_id AS customerId, d.currency,
       d.net
       - coalesce((SELECT sum(c.net) FROM document c WHERE c.credits_id = d.id AND c.stage = 'approved'), 0)
       + coalesce((SELECT sum(CASE o.kind WHEN 'invoice' THEN l.net ELSE -l.net END)
           FROM document_line l JOIN document o ON o.id = l.document_id
           WHERE l.settles = d.id AND o.stage = 'approved'), 0) AS left
     FROM document d WHERE d.id = ? AND d.deposit_of IS NOT NULL`,
    documentId,
  );
}

/** Calls a deposit by these words in the drafts that will take it off. */
export function nameDepositLines(db: Db, depositId: number, words: string): void {
  db.run(
    `UPDATE document_line SET description = ?
     WHERE settles = ? AND document_id IN (SELECT id FROM document WHERE stage = 'draft')`,
    words,
    depositId,
  );
  db.run(
    `UPDATE document SET version = version + 1
     WHERE stage = 'draft' AND id IN (SELECT document_id FROM document_line WHERE settles = ?)`,
    depositId,
  );
}

/** The deposits of a draft: how each stands. */
export function depositsOf(
  db: Db,
  documentId: number,
): { id: number; itemId: number | null; stage: Stage; number: string | null; total: Minor }[] {
  return db.all(
    "SELECT id, open_item_id AS itemId, stage, number, total FROM document WHERE deposit_of = ? AND stage <> 'dropped' ORDER BY id",
    documentId,
  );
}
