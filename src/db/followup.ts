import type { Day } from "@/core/calendar";
import type { Attached } from "@/core/followup";
import type { Currency, Minor } from "@/core/money";

import type { Db } from "./connection";

export type LetterRow = { id: number; customerId: number; step: number; onDay: Day; toAddress: string; subject: string; body: string; currency: Currency; sum: Minor; messageId: string; fileName: string; delivery: string; attach: Attached; actId: number };
const LETTER = `SELECT id, customer_id AS customerId, step, on_day AS onDay, to_address AS toAddress, subject, body, currency, sum, message_id AS messageId, file_name AS fileName, delivery, attach, act_id AS actId FROM letter`;

export function insertLetter(db: Db, letter: Omit<LetterRow, "id" | "delivery">, items: readonly { openItemId: number; balance: Minor }[]): number {
  const { id } = db.run(
    "INSERT INTO letter (customer_id, step, on_day, to_address, subject, body, currency, sum, message_id, file_name, attach, act_id) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)",
    letter.customerId, letter.step, letter.onDay, letter.toAddress, letter.subject, letter.body, letter.currency, letter.sum, letter.messageId, letter.fileName, letter.attach, letter.actId,
  );
  for (const item of items) db.run("INSERT INTO letter_item (letter_id, open_item_id, balance) VALUES (?, ?, ?)", id, item.openItemId, item.balance);
  return id;
}

export function setDelivery(db: Db, letterId: number, delivery: string): void {
  db.run("UPDATE letter SET delivery = ? WHERE id = ?", delivery, letterId);
}

export function lettersOf(db: Db, customerId: number): LetterRow[] {
  return db.all<LetterRow>(`${LETTER} WHERE customer_id = ? ORDER BY on_day DESC, id DESC`, customerId);
}

/** The items that a letter named. */
export function itemsOfLetter(db: Db, letterId: number): { id: number; number: string }[] {
  return db.all("SELECT i.id, i.number FROM letter_item l JOIN open_item i ON i.id = l.open_item_id WHERE l.letter_id = ? ORDER BY i.due_on, i.id", letterId);
}

export function letterById(db: Db, id: number): LetterRow | undefined {
  return db.get<LetterRow>(`${LETTER} WHERE id = ?`, id);
}

export type ContactRow = { id: number; customerId: number; kind: "call" | "note" | "promise"; onDay: Day; text: string; promisedOn: Day | null; promisedSum: Minor | null; /** The rung of the ladder that it was; null for what was said beside it. */ step: number | null; actId: number };
const CONTACT = `SELECT id, customer_id AS customerId, kind, on_day AS onDay, text, promised_on AS promisedOn, promised_sum AS promisedSum, step, act_id AS actId FROM contact`;

export function insertContact(db: Db, contact: Omit<ContactRow, "id">): number {
  return db.run(
    "INSERT INTO contact (customer_id, kind, on_day, text, promised_on, promised_sum, step, act_id) VALUES (?, ?, ?, ?, ?, ?, ?, ?)",
    contact.customerId, contact.kind, contact.onDay, contact.text, contact.promisedOn, contact.promisedSum, contact.step, contact.actId,
  ).id;
}

export function contactsOf(db: Db, customerId: number): ContactRow[] {
  return db.all<ContactRow>(`${CONTACT} WHERE customer_id = ? AND (SELECT undone_by FROM act WHERE act.id = contact.act_id) IS NULL ORDER BY on_day DESC, id DESC`, customerId);
}

/** The last letter, the last contact and the last promise of every customer who has one. */
export function lastWords(db: Db): { letters: LetterRow[]; contacts: ContactRow[] } {
  return {
    letters: db.all<LetterRow>(`${LETTER} WHERE id IN (SELECT max(id) FROM letter GROUP BY customer_id)`),
    contacts: db.all<ContactRow>(
      `${CONTACT} WHERE id IN (SELECT max(c.id) FROM contact c JOIN act a ON a.id = c.act_id WHERE a.undone_by IS NULL GROUP BY c.customer_id, c.kind = 'promise')`,
    ),
  };
}

/** What a customer's receipts brought between two days, promises are judged by it. */
export function paidBetween(db: Db, customerId: number, from: Day, to: Day): Minor {
  return db.get<{ sum: Minor }>("SELECT coalesce(sum(amount - gone_back), 0) AS sum FROM receipt WHERE customer_id = ? AND paid_on BETWEEN ? AND ?", customerId, from, to)?.sum ?? (0 as Minor);
}

/** Days late of a customer's invoices that were paid in full, newest first: how they usually pay. */
export function daysLate(db: Db, customerId: number): { number: string; dueOn: Day; paidOn: Day }[] {
  return db.all(
    `SELECT i.number, i.due_on AS dueOn, max(r.paid_on) AS paidOn FROM open_item i JOIN application a ON a.open_item_id = i.id AND a.ended_by IS NULL JOIN receipt r ON r.id = a.receipt_id
     WHERE i.customer_id = ?1 AND i.kind = 'invoice' AND i.balance = 0
       AND r.id > coalesce((SELECT max(f.up_to_receipt) FROM forgotten f JOIN act t ON t.id = f.act_id WHERE t.undone_by IS NULL AND f.what = 'habit' AND f.customer_id = ?1), 0) GROUP BY i.id ORDER BY paidOn DESC LIMIT 24`,
    customerId,
  );
}

/** What other customers of the group (a head office) paid on this one's items. */
export function paidForByOthers(db: Db, customerId: number): { on: Day; amount: Minor; currency: Currency; number: string; receiptId: number; payer: string }[] {
  return db.all(
    `SELECT r.paid_on AS 'on', a.amount, r.currency, i.number, r.id AS receiptId, c.name AS payer FROM open_item i JOIN application a ON a.open_item_id = i.id AND a.ended_by IS NULL JOIN receipt r ON r.id = a.receipt_id JOIN customer c ON c.id = r.customer_id
     WHERE i.customer_id = ?1 AND r.customer_id <> ?1 ORDER BY r.paid_on DESC LIMIT 200`,
    customerId,
  );
}
