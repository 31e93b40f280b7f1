import type { Day } from "@/core/calendar";
import type { LadderAct, Offer, PromiseState } from "@/core/followup";
import type { Aging } from "@/core/metrics";
import type { Currency, Minor } from "@/core/money";

export type OverdueState = "ready" | "waits" | "later" | "left_out";
export type OverdueLine = {
  id: number;
  name: string;
  sites: number;
  email: string | null;
  aging: Aging;
  overdue: Minor;
  oldestDays: number;
  lastWord: string;
  broken: boolean;
  next: string;
  /** What the next step is, and why its letter cannot go. */
  act: LadderAct;
  problem: string | null;
  waits: string[];
  state: OverdueState;
  leftOut: string | null;
};

export type LastWord =
  | { kind: "letter"; step: number; on: Day }
  | { kind: "call" | "note"; on: Day; text: string }
  | { kind: "promise"; on: Day; dueOn: Day; sum: Minor | null; state: PromiseState };

export type FollowUpWorkings = {
  customerId: number;
  to: string | null;
  copies: string;
  subject: string;
  body: string;
  sum: Minor;
  credit: Minor;
  step: number;
  waits: string[];
  habit: string;
  history: { on: Day; words: string }[];
  items: {
    id: number;
    number: string;
    description: string;
    dueOn: Day;
    days: number;
    balance: Minor;
    currency: Currency;
  }[];
  problem: string | null;
  lastWord: LastWord | null;
  /** Whom to call, and what to offer. */
  phone: string | null;
  callee: string;
  offer: Offer | null;
  kept: number;
  broken: number;
  /** Why something is said today, or why not. */
  why: string;
  /** Files that wait in Arrivals: who has paid in them would be reminded. */
  filesWaiting: string[];
  /** Invoices that letters do not name. */
  leftOut: {
    id: number;
    number: string;
    reason: string;
    balance: Minor;
    currency: Currency;
  }[];
};

/** A late fee that may be charged: on which invoice, for the time up to which day; or for which letter. */
export type ProposedFee = {
  itemId: number;
  letterId: number | null;
  number: string;
  customerId: number;
  customer: string;
  currency: Currency;
  dueOn: Day;
  /** What is open of the invoice; its fee is in the same currency. */
  balance: Minor;
  balanceIn: Currency;
  through: Day;
  sum: Minor;
  words: string;
};

/**
 * A debt written off, with a payment that was short or without one, or what came for one after all
 * (then `paid`).
 */
export type WrittenOffRow = {
  key: string;
  on: Day;
  customerId: number;
  customer: string;
  words: string;
  href: string;
  why: string;
  by: string;
  currency: Currency;
  sum: Minor;
  paid: boolean;
};

/** A letter of which nobody knows whether it went. */
export type PerhapsSentLetter = {
  id: number;
  customerId: number;
  customer: string;
  to: string;
  onDay: Day;
};
export type RunLetter = {
  customerId: number;
  name: string;
  to: string | null;
  copies: string;
  problem: string | null;
  subject: string;
  body: string;
  sum: Minor;
  items: number;
  oldestDays: number;
  step: string;
  ladder: string;
  attach: "none" | "statement" | "invoices";
  fee: Minor;
  feeCurrency: Currency;
  byItself: boolean;
};

export type LetterRun = {
  /** Those of the page that is looked at, with their words. */
  letters: RunLetter[];
  count: number;
  /** Every letter that can go, the list of all pages. */
  going: {
    customerId: number;
    sum: Minor;
  }[];
  /** Ready, but by another way than a letter. */
  others: {
    customerId: number;
    name: string;
    act: string;
    sum: Minor;
  }[];
  /** Who is held back, by reason, so that nobody wonders. */
  held: {
    why: string;
    count: number;
    sum: Minor;
  }[];
};

/**
 * What goes without a person next, as it would go if nothing changed until then; `why` is set for
 * who was taken out.
 */
export type AutomaticRun = {
  /** Null where the book has no day for it. */
  on: Day | null;
  hour: number;
  gone: boolean;
  rows: {
    customerId: number;
    name: string;
    step: string;
    sum: Minor;
    why: string | null;
    problem: string | null;
  }[];
};
