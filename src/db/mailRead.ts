import type { Day } from "@/core/calendar";
import type { BecameOfMail } from "@/core/parties";

import type { Db } from "./connection";

/** A mail that was read, and what became of it. `mailbox`: whose, where, and its UIDVALIDITY. */
export type MailRead = {
  id: number;
  mailbox: string;
  uid: number;
  fromAddress: string;
  subject: string;
  onDay: Day;
  became: BecameOfMail;
  words: string;
  customerId: number | null;
};

export function insertMailRead(db: Db, mail: Omit<MailRead, "id">): void {
  db.run(
    "INSERT INTO mail_read (mailbox, uid, from_address, subject, on_day, became, words, customer_id) VALUES (?, ?, ?, ?, ?, ?, ?, ?)",
    mail.mailbox,
    mail.uid,
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

/** The number of the last mail of a box that was read; null where none was. */
export const lastMailRead = (db: Db, mailbox: string): number | null =>
  db.get<{ uid: number | null }>("SELECT max(uid) AS uid FROM mail_read WHERE mailbox = ?", mailbox)
    ?.uid ?? null;

/** The latest first. */
export function mailPage(
  db: Db,
  limit: number,
  offset: number,
): { rows: (MailRead & { customer: string | null })[]; count: number } {
  return {
    rows: db.all(
      `SELECT m.id, m.mailbox, m.uid, m.from_address AS fromAddress, m.subject, m.on_day AS onDay,
         m.became, m.words, m.customer_id AS customerId, c.name AS customer
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
