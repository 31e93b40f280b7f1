import { type Day } from "@/core/calendar";
import { type PromisedPart } from "@/core/followup";
import { type Currency, type Minor } from "@/core/money";

import { type Db } from "./connection";
import { type LetterRow } from "./letters";

export type ContactRow = {
  id: number;
  customerId: number;
  kind: "call" | "note" | "promise";
  onDay: Day;
  text: string;
  promisedOn: Day | null;
  promisedSum: Minor | null;
  /** The rung of the ladder that it was; null for what was said beside it. */
  step: number | null;
  actId: number;
};

const CONTACT = `SELECT id, customer_id AS customerId, kind, on_day AS onDay, text, promised_on AS promisedOn, promised_sum AS promisedSum, step, act_id AS actId FROM contact`;

export function insertContact(db: Db, contact: Omit<ContactRow, "id">): number {
  return db.run(
    "INSERT INTO contact (customer_id, kind, on_day, text, promised_on, promised_sum, step, act_id) VALUES (?, ?, ?, ?, ?, ?, ?, ?)",
    contact.customerId,
    contact.kind,
    contact.onDay,
    contact.text,
    contact.promisedOn,
    contact.promisedSum,
    contact.step,
    contact.actId,
  ).id;
}

export function contactsOf(db: Db, customerId: number): ContactRow[] {
  return db.all<ContactRow>(
    `${CONTACT} WHERE customer_id = ? AND (SELECT undone_by FROM act WHERE act.id = contact.act_id) IS NULL ORDER BY on_day DESC, id DESC`,
    customerId,
  );
}

/** The last letter, the last contact and the last promise of every customer who has one. */
export function lastWords(db: Db): {
  letters: Pick<LetterRow, "customerId" | "step" | "onDay">[];
  contacts: ContactRow[];
} {
  return {
    letters: db.all(
      "SELECT customer_id AS customerId, step, on_day AS onDay FROM letter WHERE id IN (SELECT max(id) FROM letter WHERE step > 0 GROUP BY customer_id)",
    ),
    contacts: db.all<ContactRow>(
      `${CONTACT} WHERE id IN (SELECT max(c.id) FROM contact c JOIN act a ON a.id = c.act_id WHERE a.undone_by IS NULL GROUP BY c.customer_id, c.kind = 'promise')`,
    ),
  };
}

/** The parts of promises that have several, in the order of their days. */
export function promiseParts(db: Db, contactId: number | null = null): Map<number, PromisedPart[]> {
  const parts = new Map<number, PromisedPart[]>();
  const rows =
    contactId === null
      ? db.all<PromisedPart & { contactId: number }>(
          "SELECT contact_id AS contactId, due_on AS dueOn, sum FROM promise_part ORDER BY contact_id, due_on",
        )
      : db.all<PromisedPart & { contactId: number }>(
          "SELECT contact_id AS contactId, due_on AS dueOn, sum FROM promise_part WHERE contact_id = ? ORDER BY due_on",
          contactId,
        );
  for (const { contactId: id, dueOn, sum } of rows)
    parts.set(id, [...(parts.get(id) ?? []), { dueOn, sum }]);
  return parts;
}

export function insertPromiseParts(
  db: Db,
  contactId: number,
  parts: readonly { dueOn: Day; sum: Minor }[],
): void {
  for (const { dueOn, sum } of parts)
    db.run(
      "INSERT INTO promise_part (contact_id, due_on, sum) VALUES (?, ?, ?)",
      contactId,
      dueOn,
      sum,
    );
}

/** What a customer's receipts brought between two days, promises are judged by it. */
export function paidBetween(db: Db, customerId: number, from: Day, to: Day): Minor {
  return (
    db.get<{ sum: Minor }>(
      "SELECT coalesce(sum(amount - gone_back), 0) AS sum FROM receipt WHERE customer_id = ? AND paid_on BETWEEN ? AND ?",
      customerId,
      from,
      to,
    )?.sum ?? (0 as Minor)
  );
}

/** Days late of a customer's invoices that were paid in full, newest first: how they usually pay. */
export function daysLate(
  db: Db,
  customerId: number,
): { number: string; dueOn: Day; paidOn: Day }[] {
  return db.all(
    `SELECT i.number, i.due_on AS dueOn, max(r.paid_on) AS paidOn FROM open_item i JOIN application a ON a.open_item_id = i.id AND a.ended_by IS NULL JOIN receipt r ON r.id = a.receipt_id
     WHERE i.customer_id = ?1 AND i.kind = 'invoice' AND i.balance = 0
       AND r.id > coalesce((SELECT max(f.up_to_receipt) FROM forgotten f JOIN act t ON t.id = f.act_id WHERE t.undone_by IS NULL AND f.what = 'habit' AND f.customer_id = ?1), 0) GROUP BY i.id ORDER BY paidOn DESC LIMIT 24`,
    customerId,
  );
}

/** What other customers of the group (a head office) paid on this one's items. */
export function paidForByOthers(
  db: Db,
  customerId: number,
): {
  on: Day;
  amount: Minor;
  currency: Currency;
  number: string;
  receiptId: number;
  payer: string;
}[] {
  return db.all(
    `SELECT r.paid_on AS 'on', a.amount, r.currency, i.number, r.id AS receiptId, c.name AS payer FROM open_item i JOIN application a ON a.open_item_id = i.id AND a.ended_by IS NULL JOIN receipt r ON r.id = a.receipt_id JOIN customer c ON c.id = r.customer_id
     WHERE i.customer_id = ?1 AND r.customer_id <> ?1 ORDER BY r.paid_on DESC LIMIT 200`,
    customerId,
  );
}
