import { z } from "zod";

import type { Day } from "@/core/calendar";
import type { Language, QuestionWords } from "@/core/followup";
import type { Currency, Minor } from "@/core/money";

/** A question with all that was said in it, in turn. */
export type QuestionThread = {
  id: number;
  /** A dispute: the customer does not agree with what it is about. */
  kind: "question" | "dispute";
  customerId: number;
  customer: string;
  itemId: number | null;
  number: string | null;
  /** What is open of the item, in its currency. */
  balance: Minor | null;
  currency: Currency | null;
  state: "open" | "closed";
  askedOn: Day;
  said: QuestionWords[];
};

const words = z.string().trim().min(1, "Write what you want to say.").max(2000);

/** What a customer asks: about an item, or (null) about its account. */
export const askInput = z.object({
  itemId: z.number().int().nullable(),
  kind: z.enum(["question", "dispute"]).default("question"),
  /** Which line of the invoice, counted from 1; null for all of it. */
  line: z.number().int().min(1).nullable().default(null),
  words,
  key: z.uuid(),
});

export const answerInput = z.object({
  questionId: z.number().int(),
  words,
  /** Whether nothing is left to be said: reminders are not held any more. */
  close: z.boolean(),
});

/** What a customer's page of questions is made of. */
export type QuestionFacts = {
  business: string;
  customer: string;
  language: Language;
  /** What may be asked about, beside the account. */
  items: { id: number; number: string; lines: string[] }[];
  threads: QuestionThread[];
};
