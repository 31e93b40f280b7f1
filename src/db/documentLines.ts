import type { WrittenLine } from "@/core/invoices";
import type { Minor } from "@/core/money";

import type { Db } from "./connection";

/** Net: without tax and less its share of the document's discount; what goes to income. */
export type DocumentLineRow = WrittenLine;

export type DocumentChargeRow = { words: string; sum: Minor; taxCode: string | null };

export function linesOf(
  db: Db,
  documentId: number,
): (DocumentLineRow & { settles: number | null })[] {
  return db.all(
    `SELECT item, description, quantity, rate, discount_percent AS discountPercent,
       tax_code AS taxCode, amount, net, settles
     FROM document_line WHERE document_id = ? ORDER BY line_no`,
    documentId,
  );
}

export function chargesOf(db: Db, documentId: number): DocumentChargeRow[] {
  return db.all<DocumentChargeRow>(
    `SELECT words, sum, tax_code AS taxCode
     FROM document_charge WHERE document_id = ? ORDER BY charge_no`,
    documentId,
  );
}

/** Writes a draft's lines and charges anew. */
export function replaceLines(
  db: Db,
  documentId: number,
  lines: readonly DocumentLineRow[],
  charges: readonly DocumentChargeRow[],
): void {
  db.run("DELETE FROM document_line WHERE document_id = ?", documentId);
  db.run("DELETE FROM document_charge WHERE document_id = ?", documentId);
  for (const [at, line] of lines.entries())
    db.run(
      `INSERT INTO document_line (document_id, line_no, item, description, quantity, rate,
         discount_percent, tax_code, amount, net, settles)
       VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
      documentId,
      at + 1,
      line.item,
      line.description,
      line.quantity,
      line.rate,
      line.discountPercent,
      line.taxCode,
      line.amount,
      line.net,
      line.settles ?? null,
    );
  for (const [at, charge] of charges.entries())
    db.run(
      "INSERT INTO document_charge (document_id, charge_no, words, sum, tax_code) VALUES (?, ?, ?, ?, ?)",
      documentId,
      at + 1,
      charge.words,
      charge.sum,
      charge.taxCode,
    );
}
