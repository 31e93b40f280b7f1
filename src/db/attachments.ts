import type { Day } from "@/core/calendar";

import type { Db } from "./connection";

export type AttachmentType = "application/pdf" | "image/png" | "image/jpeg";

/** A paper that belongs to a customer, or to one of its documents and goes with that. */
export type AttachmentRow = {
  id: number;
  customerId: number;
  documentId: number | null;
  name: string;
  type: AttachmentType;
  sha256: string;
  size: number;
  addedOn: Day;
  actId: number;
};

const ATTACHMENT = `SELECT id, customer_id AS customerId, document_id AS documentId, name, type, sha256,
  size, added_on AS addedOn, act_id AS actId FROM attachment WHERE ended_by IS NULL`;

export function attachmentsOf(db: Db, customerId: number): AttachmentRow[] {
  return db.all<AttachmentRow>(`${ATTACHMENT} AND customer_id = ? ORDER BY id`, customerId);
}

/** What goes with a document. */
export function attachmentsOfDocument(db: Db, documentId: number): AttachmentRow[] {
  return db.all<AttachmentRow>(`${ATTACHMENT} AND document_id = ? ORDER BY id`, documentId);
}

export function attachmentById(db: Db, id: number): AttachmentRow | undefined {
  return db.get<AttachmentRow>(`${ATTACHMENT} AND id = ?`, id);
}

export function insertAttachment(db: Db, row: Omit<AttachmentRow, "id">): number {
  return db.run(
    `INSERT INTO attachment (customer_id, document_id, name, type, sha256, size, added_on, act_id)
     VALUES (?, ?, ?, ?, ?, ?, ?, ?)`,
    row.customerId,
    row.documentId,
    row.name,
    row.type,
    row.sha256,
    row.size,
    row.addedOn,
    row.actId,
  ).id;
}

export function endAttachment(db: Db, actId: number, by: number): void {
  db.run("UPDATE attachment SET ended_by = ? WHERE act_id = ?", by, actId);
}
