/** What is found by typing: what it is, and the words by which it is known again. */
export type Found = {
  kind: "customer" | "invoice" | "receipt" | "payout" | "bank line";
  id: number;
  words: string;
  more: string;
};
import type { Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

/** What the shell shows; the server's queries have the same shapes. */
export type ShellFacts = {
  book: string;
  name: string;
  currency: Currency;
  today: Day;
  clockFixed: boolean;
  people: string[];
  person: string;
  /** When the last good backup was taken, in words, and whether that is too long ago. */
  backup: { words: string; late: boolean };
};
export type CountedFacts = {
  left: { arrivals: number; match: number; payoutsOff: number; overdue: number; broken: number };
  strip: {
    receivables: Minor;
    clearing: Minor;
    bank: Minor;
    statementTo: Day | null;
    toMatch: Minor;
    payoutsOff: Minor;
    unexplained: Minor;
    holds: Record<string, boolean>;
  };
};

/** What every page of a book is given beside its own facts. */
export type BookFacts = { book: string; currency: Currency; today: Day };
