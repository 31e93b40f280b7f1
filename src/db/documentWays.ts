import type { Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

import type { Way } from "./customerCards";
import type { Db } from "./connection";

/** An approved document that is still to reach its customer. */
export type DocumentToReach = {
  id: number;
  itemId: number;
  kind: "invoice" | "credit_note";
  number: string;
  customerId: number;
  customer: string;
  issuedOn: Day;
  dueOn: Day;
  currency: Currency;
  total: Minor;
  way: Way;
};

const TO_REACH = `
  SELECT d.id, d.open_item_id AS itemId, d.kind, d.number, d.customer_id AS customerId,
    c.name AS customer, d.issued_on AS issuedOn, d.due_on AS dueOn, d.currency, d.total, w.way
  FROM document_way w
  JOIN document d ON d.id = w.document_id
  JOIN customer c ON c.id = d.customer_id`;

/** What is still to be sent or printed, the oldest first. */
export function documentsToReach(db: Db): DocumentToReach[] {
  return db.all<DocumentToReach>(
    `${TO_REACH} WHERE w.done_on IS NULL AND w.way <> 'none' ORDER BY d.issued_on, d.id`,
  );
}

/** A document with its way, whether it has reached its customer or not. */
export function wayOf(
  db: Db,
  documentId: number,
): (DocumentToReach & { doneOn: Day | null }) | undefined {
  return db.get(
    `${TO_REACH.replace("w.way", "w.way, w.done_on AS doneOn")} WHERE d.id = ?`,
    documentId,
  );
}

export function insertWay(db: Db, documentId: number, way: Way): void {
  db.run("INSERT INTO document_way (document_id, way) VALUES (?, ?)", documentId, way);
}

/** Notes that a document went out on a day: by a letter, or (null) on paper. */
export function markReached(db: Db, documentId: number, on: Day, letterId: number | null): void {
  db.run(
    "UPDATE document_way SET done_on = ?, letter_id = ? WHERE document_id = ?",
    on,
    letterId,
    documentId,
  );
}
