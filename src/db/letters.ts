import { type Day } from "@/core/calendar";
import { type Attached } from "@/core/followup";
import { type Currency, type Minor } from "@/core/money";

import { type Db } from "./connection";

export type LetterRow = {
  id: number;
  customerId: number;
  step: number;
  onDay: Day;
  toAddress: string;
  /** Who gets a copy; several between commas, as toAddress. */
  copyAddress: string;
  /** Who has it already, while it is tried again for others. */
  reached: string;
  subject: string;
  body: string;
  currency: Currency;
  sum: Minor;
  messageId: string;
  fileName: string;
  delivery: string;
  attach: Attached;
  /** What is charged with it, in the book's currency. */
  fee: Minor;
  /** The currency of the invoice that the fee will stand on. */
  feeCurrency: Currency;
  /**
   * How often the mail server was tried, when it is tried next (ISO 8601, UTC), and why the letter
   * came back.
   */
  tries: number;
  nextTry: string | null;
  cameBack: string | null;
  /** The receipt that it brings; null where it brings none. */
  receiptId: number | null;
  actId: number;
};

const LETTER = `SELECT id, customer_id AS customerId, step, on_day AS onDay, to_address AS toAddress, copy_address AS copyAddress, reached, subject, body, currency, sum, message_id AS messageId, file_name AS fileName, delivery, attach, fee, coalesce(fee_currency, currency) AS feeCurrency, tries, next_try AS nextTry, came_back AS cameBack, receipt_id AS receiptId, act_id AS actId FROM letter`;

type NewLetter = Omit<
  LetterRow,
  "id" | "delivery" | "reached" | "tries" | "nextTry" | "cameBack" | "receiptId"
> & { receiptId?: number };

export function insertLetter(
  db: Db,
  letter: NewLetter,
  items: readonly { openItemId: number; balance: Minor }[],
): number {
  const { id } = db.run(
    "INSERT INTO letter (customer_id, step, on_day, to_address, copy_address, subject, body, currency, sum, message_id, file_name, attach, fee, fee_currency, receipt_id, act_id) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)",
    letter.customerId,
    letter.step,
    letter.onDay,
    letter.toAddress,
    letter.copyAddress,
    letter.subject,
    letter.body,
    letter.currency,
    letter.sum,
    letter.messageId,
    letter.fileName,
    letter.attach,
    letter.fee,
    letter.feeCurrency,
    letter.receiptId ?? null,
    letter.actId,
  );
  for (const item of items)
    db.run(
      "INSERT INTO letter_item (letter_id, open_item_id, balance) VALUES (?, ?, ?)",
      id,
      item.openItemId,
      item.balance,
    );
  return id;
}

/** `retry`: the mail server is tried again at a time. */
export function setDelivery(
  db: Db,
  letterId: number,
  delivery: string,
  retry: { tries: number; nextTry: string | null } = { tries: 0, nextTry: null },
): void {
  db.run(
    "UPDATE letter SET delivery = ?, tries = ?, next_try = ? WHERE id = ?",
    delivery,
    retry.tries,
    retry.nextTry,
    letterId,
  );
}

/**
 * Letters that were being handed to the mail server when the program ended are perhaps sent: only
 * the server's own answer could have said so, and it was not noted. Gives how many.
 */
export function markPerhapsSent(db: Db): number {
  return db.run("UPDATE letter SET delivery = 'perhaps sent' WHERE delivery = 'handing'").changes;
}

/** Letters of which nobody knows whether they went. */
export function perhapsSent(
  db: Db,
): { id: number; customerId: number; customer: string; to: string; onDay: Day }[] {
  return db.all(
    `SELECT l.id, l.customer_id AS customerId, c.name AS customer, l.to_address AS 'to', l.on_day AS onDay
     FROM letter l
     JOIN customer c ON c.id = l.customer_id
     WHERE l.delivery = 'perhaps sent'
     ORDER BY l.id`,
  );
}

/** Keeps who has a letter already. */
export function setReached(db: Db, letterId: number, addresses: readonly string[]): void {
  db.run("UPDATE letter SET reached = ? WHERE id = ?", addresses.join(", "), letterId);
}

/** Keeps why a letter came back; null where it did not after all. */
export function setCameBack(db: Db, letterId: number, why: string | null): void {
  db.run("UPDATE letter SET came_back = ? WHERE id = ?", why, letterId);
}

/** The first letter that is to be delivered now: one that was never tried, or one whose time has come. */
export function letterToDeliver(db: Db, now: string): number | undefined {
  return db.get<{ id: number }>(
    "SELECT id FROM letter WHERE delivery = 'queued' OR (delivery = 'retry' AND next_try <= ?) ORDER BY id LIMIT 1",
    now,
  )?.id;
}

/** The letter with a Message-ID, as mails that speak of it name it. */
export function letterByMessage(db: Db, messageId: string): LetterRow | undefined {
  return db.get<LetterRow>(`${LETTER} WHERE message_id = ?`, messageId);
}

/** The last letter that went to an address, alone or among others. */
export function lastLetterTo(db: Db, address: string): LetterRow | undefined {
  return db.get<LetterRow>(
    `${LETTER} WHERE instr(lower(', ' || to_address || ', ' || copy_address || ', '), lower(', ' || ? || ', ')) > 0 ORDER BY id DESC LIMIT 1`,
    address,
  );
}

/** Customers who do not get the letter that would go by itself on a day, with the reason. */
export function runSkips(db: Db, onDay: Day): Map<number, string> {
  return new Map(
    db
      .all<{ id: number; why: string }>(
        "SELECT customer_id AS id, why FROM run_skip WHERE on_day = ?",
        onDay,
      )
      .map(({ id, why }) => [id, why]),
  );
}

export function setRunSkip(db: Db, customerId: number, onDay: Day, why: string | null): void {
  if (why === null)
    db.run("DELETE FROM run_skip WHERE customer_id = ? AND on_day = ?", customerId, onDay);
  else
    db.run(
      "INSERT INTO run_skip (customer_id, on_day, why) VALUES (?, ?, ?) ON CONFLICT (customer_id, on_day) DO UPDATE SET why = excluded.why",
      customerId,
      onDay,
      why,
    );
}

export function lettersOf(db: Db, customerId: number): LetterRow[] {
  return db.all<LetterRow>(
    `${LETTER} WHERE customer_id = ? ORDER BY on_day DESC, id DESC`,
    customerId,
  );
}

/** The papers of the items that a letter named: the parts of one invoice have one together. */
export function papersOfLetter(db: Db, letterId: number): { id: number; number: string }[] {
  return db.all(
    `SELECT min(i.id) AS id, coalesce(i.part_of, i.number) AS number
     FROM letter_item l JOIN open_item i ON i.id = l.open_item_id
     WHERE l.letter_id = ?
     GROUP BY coalesce(i.part_of, i.number)
     ORDER BY min(i.due_on), min(i.id)`,
    letterId,
  );
}

export function letterById(db: Db, id: number): LetterRow | undefined {
  return db.get<LetterRow>(`${LETTER} WHERE id = ?`, id);
}

/** The letters that asked for an item, oldest first. */
export function lettersAbout(
  db: Db,
  openItemId: number,
): { on: Day; step: number; address: string }[] {
  return db.all(
    `SELECT l.on_day AS 'on', l.step, l.to_address AS address
     FROM letter l
     JOIN letter_item i ON i.letter_id = l.id
     WHERE i.open_item_id = ?
     ORDER BY l.id`,
    openItemId,
  );
}

/** The letter written last, if any was. */
export function lastLetterId(db: Db): number | undefined {
  return db.get<{ id: number }>("SELECT id FROM letter ORDER BY id DESC LIMIT 1")?.id;
}

/** Letters that wait to be handed on. */
export function queuedLetters(db: Db): number[] {
  return db
    .all<{ id: number }>("SELECT id FROM letter WHERE delivery = 'queued'")
    .map(({ id }) => id);
}
