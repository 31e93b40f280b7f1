import type { ReadMail } from "@/core/parties";

import type { Db } from "./connection";

/** A mail that was read. `mailbox`: whose, where, and its UIDVALIDITY. */
type MailRead = ReadMail & { mailbox: string; uid: number; messageId: string | null };

export function insertMailRead(db: Db, mail: MailRead): void {
  db.run(
    "INSERT INTO mail_read (mailbox, uid, message_id, from_address, subject, on_day, became, words, customer_id) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)",
    mail.mailbox,
    mail.uid,
    mail.messageId,
    mail.fromAddress,
    mail.subject,
    mail.onDay,
    mail.became,
    mail.words,
    mail.customerId,
  );
}

export const isMailRead = (db: Db, mailbox: string, uid: number): boolean =>
  db.get("SELECT 1 FROM mail_read WHERE mailbox = ? AND uid = ?", mailbox, uid) !== undefined;

/** Whether a mail of somebody was read before, in whatever box and by whatever number. */
export const isMessageRead = (db: Db, messageId: string, from: string): boolean =>
  db.get("SELECT 1 FROM mail_read WHERE message_id = ? AND from_address = ?", messageId, from) !==
  undefined;

/** The number of the last mail of a box that was read; null where none was. */
export const lastMailRead = (db: Db, mailbox: string): number | null =>
  db.get<{ uid: number | null }>("SELECT max(uid) AS uid FROM mail_read WHERE mailbox = ?", mailbox)
    ?.uid ?? null;

/** The latest first. */
export function mailPage(
  db: Db,
  limit: number,
  offset: number,
): { rows: (ReadMail & { id: number; customer: string | null })[]; count: number } {
  return {
    rows: db.all(
      `SELECT m.id, m.from_address AS fromAddress, m.subject, m.on_day AS onDay, m.became, m.words, m.customer_id AS customerId, c.name AS customer
       FROM mail_read m
       LEFT JOIN customer c ON c.id = m.customer_id
       ORDER BY m.id DESC
       LIMIT ? OFFSET ?`,
      limit,
      offset,
    ),
    count: db.get<{ n: number }>("SELECT count(*) AS n FROM mail_read")?.n ?? 0,
  };
}
