import type { Db } from "@/db/connection";

/** What a line of a file became: the documents that carry its file and line number. */
export function documentsOfLine(
  db: Db,
  fileId: number,
  line: number,
): { words: string; href: string }[] {
  return db.all<{ words: string; href: string }>(
    `SELECT 'customer ' || name AS words, 'customers/' || id AS href FROM customer WHERE file_id = ?1 AND line_no = ?2
     UNION ALL SELECT replace(kind, '_', ' ') || ' ' || number, 'invoices/' || id FROM open_item WHERE file_id = ?1 AND line_no = ?2
     UNION ALL SELECT 'receipt of ' || coalesce(nullif(payer_name, ''), payer_email), 'receipts/' || id FROM receipt WHERE file_id = ?1 AND line_no = ?2
     UNION ALL SELECT replace(kind, '_', ' ') || ' ' || external_id, CASE WHEN receipt_id IS NOT NULL THEN 'receipts/' || receipt_id WHEN payout_id IS NOT NULL THEN 'payouts/' || payout_id ELSE 'books?proof=clearing' END
       FROM processor_item WHERE file_id = ?1 AND line_no = ?2 AND kind <> 'charge'
     UNION ALL SELECT 'payout ' || external_id, 'payouts/' || id FROM payout WHERE file_id = ?1 AND line_no = ?2
     UNION ALL SELECT 'bank line ' || description, 'lines/' || id FROM bank_line WHERE file_id = ?1 AND line_no = ?2`,
    fileId,
    line,
  );
}
