import { attachmentById, type AttachmentRow } from "@/db/attachments";
import type { Db } from "@/db/connection";

/** A paper that belongs to a customer; undefined where it is not there, or was taken away. */
export function keptPaper(db: Db, id: number): AttachmentRow | undefined {
  return attachmentById(db, id);
}
