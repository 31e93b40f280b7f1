import type { Day } from "@/core/calendar";
import type { QuestionWords } from "@/core/followup";
import type { Currency, Minor } from "@/core/money";

import type { Db } from "./connection";

/** A question, or that the customer does not agree. */
export type QuestionKind = "question" | "dispute";

/** A customer's question about an item, or (null) about its account. */
export type QuestionRow = {
  id: number;
  kind: QuestionKind;
  customerId: number;
  customer: string;
  itemId: number | null;
  number: string | null;
  /** What is open of the item, in its currency. */
  balance: Minor | null;
  currency: Currency | null;
  state: "open" | "closed";
  askedOn: Day;
};

const QUESTION = `SELECT q.id, q.kind, q.customer_id AS customerId, c.name AS customer, q.open_item_id AS itemId,
    i.number, i.balance, i.currency, q.state, q.asked_on AS askedOn
  FROM question q JOIN customer c ON c.id = q.customer_id LEFT JOIN open_item i ON i.id = q.open_item_id`;

export const questionById = (db: Db, id: number): QuestionRow | undefined =>
  db.get<QuestionRow>(`${QUESTION} WHERE q.id = ?`, id);

/** Questions that wait for an answer, or for their end; the oldest first. */
export const openQuestions = (db: Db): QuestionRow[] =>
  db.all<QuestionRow>(`${QUESTION} WHERE q.state = 'open' ORDER BY q.asked_on, q.id`);

export const questionsOf = (db: Db, customerId: number): QuestionRow[] =>
  db.all<QuestionRow>(
    `${QUESTION} WHERE q.customer_id = ? ORDER BY q.id DESC LIMIT 100`,
    customerId,
  );

/** The questions about an item, the newest first. */
export const questionsAbout = (db: Db, itemId: number): QuestionRow[] =>
  db.all<QuestionRow>(`${QUESTION} WHERE q.open_item_id = ? ORDER BY q.id DESC`, itemId);

/** The last question of a customer about an item, or about its account. */
export const lastQuestion = (
  db: Db,
  customerId: number,
  itemId: number | null,
): QuestionRow | undefined =>
  db.get<QuestionRow>(
    `${QUESTION} WHERE q.customer_id = ? AND q.open_item_id IS ? ORDER BY q.id DESC LIMIT 1`,
    customerId,
    itemId,
  );

export const insertQuestion = (
  db: Db,
  question: Pick<QuestionRow, "kind" | "customerId" | "itemId" | "askedOn">,
): number =>
  db.run(
    "INSERT INTO question (kind, customer_id, open_item_id, state, asked_on) VALUES (?, ?, ?, 'open', ?)",
    question.kind,
    question.customerId,
    question.itemId,
    question.askedOn,
  ).id;

export function setQuestionKind(db: Db, id: number, kind: QuestionKind): void {
  db.run("UPDATE question SET kind = ? WHERE id = ?", kind, id);
}

export function setQuestionState(db: Db, id: number, state: QuestionRow["state"]): void {
  db.run("UPDATE question SET state = ? WHERE id = ?", state, id);
}

export function insertQuestionWords(
  db: Db,
  questionId: number,
  { byCustomer, actor, words, line, on, at }: QuestionWords & { at: string },
): void {
  db.run(
    `INSERT INTO question_words (question_id, by_customer, actor, words, line, on_day, at)
     VALUES (?, ?, ?, ?, ?, ?, ?)`,
    questionId,
    byCustomer ? 1 : 0,
    actor,
    words,
    line,
    on,
    at,
  );
}

export const wordsOfQuestion = (db: Db, questionId: number): QuestionWords[] =>
  db
    .all<Omit<QuestionWords, "byCustomer"> & { byCustomer: number }>(
      `SELECT by_customer AS byCustomer, actor, words, line, on_day AS "on"
       FROM question_words WHERE question_id = ? ORDER BY id`,
      questionId,
    )
    .map((row) => ({ ...row, byCustomer: row.byCustomer === 1 }));
