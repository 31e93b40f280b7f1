import type { Day } from "@/core/calendar";
import type { ToReach, Way } from "@/core/invoices";

import type { Db } from "./connection";

const COLUMNS = `d.id AS id, d.open_item_id AS itemId, d.kind, d.number, d.customer_id AS customerId,
  c.name AS customer, d.issued_on AS issuedOn, d.due_on AS dueOn, d.currency, d.total, w.way`;
const FROM = `document_way w
  JOIN document d ON d.id = w.document_id
  JOIN customer c ON c.id = d.customer_id`;

/** The mail that brought a document did not arrive: it was not taken, or came back. */
const FAILED = "(l.delivery >= 'not sent' AND l.delivery < 'not senu' OR l.came_back IS NOT NULL)";

/** What is still to be sent or printed, or was sent and did not arrive, the oldest first. */
export function documentsToReach(db: Db): ToReach[] {
  return db.all<ToReach>(
    `SELECT ${COLUMNS} FROM ${FROM} WHERE w.done_on IS NULL AND w.way <> 'none'
     UNION ALL
     SELECT ${COLUMNS} FROM ${FROM} JOIN letter l ON l.id = w.letter_id WHERE l.step = 0 AND ${FAILED}
     ORDER BY issuedOn, id`,
  );
}

/** A document with its way, and when it went out; null while it has not, or did not arrive. */
export function wayOf(db: Db, documentId: number): (ToReach & { doneOn: Day | null }) | undefined {
  return db.get(
    `SELECT ${COLUMNS}, CASE WHEN ${FAILED} THEN NULL ELSE w.done_on END AS doneOn
     FROM ${FROM} LEFT JOIN letter l ON l.id = w.letter_id
     WHERE d.id = ?`,
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
