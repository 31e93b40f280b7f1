import type { QuestionFacts, QuestionThread } from "@/contracts/questions";
import type { Db } from "@/db/connection";
import { customerById, sitesOf } from "@/db/customers";
import { followedRow } from "@/db/followed";
import { openItemsOf } from "@/db/openItems";
import {
  openQuestions,
  type QuestionRow,
  questionsAbout,
  questionsOf,
  wordsOfQuestion,
} from "@/db/questions";
import { readSettings } from "@/db/settings";

import { linesAbout } from "./linesAbout";

const threadOf = (db: Db, question: QuestionRow): QuestionThread => ({
  ...question,
  said: wordsOfQuestion(db, question.id),
});

/** What customers asked and nobody has ended, the oldest first. */
export const openThreads = (db: Db): QuestionThread[] =>
  openQuestions(db).map((question) => threadOf(db, question));

export const threadsAbout = (db: Db, itemId: number): QuestionThread[] =>
  questionsAbout(db, itemId).map((question) => threadOf(db, question));

/** A customer's own page of questions; null where there is no such customer. */
export function questionPageOf(db: Db, customerId: number): QuestionFacts | null {
  const customer = customerById(db, customerId);
  if (!customer) return null;
  const items = [customerId, ...sitesOf(db, customerId).map(({ id }) => id)]
    .flatMap((id) => openItemsOf(db, id))
    .map(({ id, number }) => ({ id, number, lines: linesAbout(db, id) }));
  return {
    business: readSettings(db).name,
    customer: customer.name,
    language: followedRow(db, customerId).language,
    items,
    // A clerk is the business to its customer.
    threads: questionsOf(db, customerId).map((question) => ({
      ...threadOf(db, question),
      said: wordsOfQuestion(db, question.id).map((words) => ({ ...words, actor: "" })),
    })),
  };
}
