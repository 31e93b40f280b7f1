import type { Day } from "@/core/calendar";

/** What was said in a question, in turn. */
export type QuestionWords = {
  byCustomer: boolean;
  actor: string;
  words: string;
  /** The line of the invoice that it is about, in words; null for all of it. */
  line: string | null;
  on: Day;
};
