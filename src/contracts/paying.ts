import { z } from "zod";

import type { Day } from "@/core/calendar";
import type { Language } from "@/core/followup";
import { type Currency, minor, type Minor } from "@/core/money";
import type { AskedForCode, SumLimits, SumRules, WayToPay } from "@/core/paying";

import { methodToken } from "./methodToken";
import type { MethodOnFile } from "./payMethods";
import type { PlanShown } from "./payPlans";

/** An invoice as it may be paid. */
export type PayItem = {
  id: number;
  number: string;
  description: string | null;
  dueOn: Day;
  balance: Minor;
  /** What of it is being paid already: asked for, or on its way. */
  beingPaid: Minor;
  /** By which ways it may be paid. */
  ways: WayToPay[];
  /** Whether it is paid by a plan that goes on. */
  inPlan: boolean;
};

/** What a customer's pay page is made of; sums in one currency. */
export type PayFacts = {
  book: string;
  business: string;
  questions: string;
  customer: string;
  email: string | null;
  language: Language;
  today: Day;
  currency: Currency;
  /** Other currencies in which something is open: each is paid by itself. */
  others: Currency[];
  /** What is on account of the customer in this currency, and what open credit notes come to. */
  credit: Minor;
  items: PayItem[];
  /** What is on its way to pay, with the day on which it counts. */
  onWay: { amount: Minor; settlesOn: Day | null }[];
  methods: MethodOnFile[];
  /** What is agreed to: from which way, since when, in which words; null for nothing. */
  agreed: { methodId: number; onDay: Day; words: string } | null;
  ways: WayToPay[];
  /** The words of automatic payment; `{method}` stands for what it is taken from. */
  consent: string;
  /** A card or account in words: `{name} ending in {lastFour}`. */
  method: string;
  /** Where card and account numbers go; empty where nothing can be paid here. */
  processor: string;
  /** When a debit that is made today counts as paid. */
  debitSettlesOn: Day;
  /** What a way costs on top or saves; it is said before, and taken as it was said. */
  rules: SumRules;
  /** Between which sums the customer chooses; null: invoices are paid whole. */
  limits: SumLimits | null;
  /** The link asks that what comes is agreed to be taken by itself: paying by it agrees. */
  mustAgree: boolean;
  /** In how many parts at most what is overdue may be paid; 0: in none. */
  planParts: number;
  /** Whether a new bank account has to be proven before anything is taken from it. */
  provenAccounts: boolean;
  /** What the processor says of the small sums that prove one. */
  ofSmallSums: string;
  /** Plans in parts that go on. */
  plans: PlanShown[];
  /** All that the link was for is paid: it has ended. */
  ended: boolean;
  /** A clerk takes it at the customer's word, and keeps that word; nothing is agreed to or taken off. */
  byClerk: boolean;
  /** Whether a clerk may record what comes by hand: in the book's currency. */
  byHand: boolean;
};

/** What a pay page sends: the invoices with their sums, and by what they are paid. */
export const payInput = z.object({
  key: z.uuid(),
  parts: z
    .array(z.object({ itemId: z.number().int(), amount: z.number().int().positive() }))
    .min(1)
    .max(200),
  /** The sum as it was shown, with what comes on top and what is saved. */
  sum: z.number().int().positive().transform(minor).optional(),
  methodId: z.number().int().nullable(),
  /** Of a card or an account that the processor has just taken. */
  token: methodToken.nullable(),
  keep: z.boolean(),
  /** Whether the words of automatic payment were agreed to. */
  agree: z.boolean(),
  /** Who said that it may be taken, and how, where a clerk takes it. */
  word: z.string().trim().max(200).default(""),
});

export type PayInput = z.output<typeof payInput>;

/** What became of it: paid, on its way, or declined and why. */
export type PayOutcome =
  | { state: "paid" | "on_way" | "declined"; code: string | null }
  | AskedForCode
  | { error: { code: string; message: string } };

/** What is ended on a pay page: the agreement, a plan, or a way on file. */
export const endInput = z.object({
  methodId: z.number().int().nullable(),
  planId: z.number().int().nullable().default(null),
});

/** What is due of a customer who agreed that it is taken. */
export type AgreedListed = {
  /** The same on every look: who presses twice takes once. */
  key: string;
  customerId: number;
  customer: string;
  methodId: number;
  method: string;
  way: WayToPay;
  currency: Currency;
  amount: Minor;
  numbers: string[];
  /** The try that it is, from 1. */
  tries: number;
  /** When it counts as paid, if it is taken today. */
  countsOn: Day;
  /** Whether it is a part of a plan. */
  ofPlan: boolean;
  /** What it waits for before it may be taken: a day, or (null) its customer's notice. */
  notice: { from: Day | null } | null;
  /** Why it is taken out of today's run, by a person or because money of theirs may be here; null where it is not. */
  takenOut: string | null;
};

/** What was taken as agreed, and what became of it. */
export type TakenListed = {
  id: number;
  customerId: number;
  customer: string;
  method: string;
  numbers: string[];
  currency: Currency;
  amount: Minor;
  on: Day;
  state: "asked" | "paid" | "on_way" | "declined" | "returned";
  code: string | null;
  settlesOn: Day | null;
  triedAgainOn: Day | null;
};

/** `filesWaiting`: files in Arrivals that nobody has read: whoever paid in them would be charged. */
export type PayingFacts = {
  due: AgreedListed[];
  taken: TakenListed[];
  cards: CardRunningOut[];
  notTaken: NotTaken[];
  /** Sums that come to be taken soon, and of which their customers were not told. */
  untold: Untold[];
  filesWaiting: string[];
};

export type Untold = {
  key: string;
  customerId: number;
  customer: string;
  numbers: string[];
  currency: Currency;
  amount: Minor;
  /** When it may be taken, if it is told today. */
  from: Day;
};

/** What is due of who agreed, and may not be paid by the way that was agreed to. */
export type NotTaken = {
  customerId: number;
  customer: string;
  way: WayToPay;
  numbers: string[];
};

/** A card on file that cannot be used much longer, or any more. */
export type CardRunningOut = {
  methodId: number;
  customerId: number;
  customer: string;
  method: string;
  lastDay: Day;
  /** Whether what is due is taken from it. */
  agreed: boolean;
  /** When its owner was asked for another. */
  askedOn: Day | null;
};

/** What a run takes: the payments that were looked at, by their keys. */
export const runInput = z.object({ keys: z.array(z.string().max(80)).min(1).max(5000) });

/** What became of a run. */
export type RunTold = {
  paid: number;
  onWay: number;
  declined: number;
  /** What could not be asked for, with why. */
  refused: { customer: string; why: string }[];
  /** What was changed since it was looked at, and was left. */
  changed: number;
};

/** What happened on a day of a practice book, by kind. */
export type DayTold = { day: Day; events: Record<string, number> };

/** What of a receipt may be sent back the way it came, and what was asked for already. */
export type RefundFacts = {
  /** Credit on account that may go back. */
  free: Minor;
  /** Open credit notes of its customer that may be paid out. */
  notes: { itemId: number; number: string; sum: Minor }[];
  asked: {
    id: number;
    amount: Minor;
    why: string;
    askedBy: string;
    askedOn: Day;
    state: "waiting" | "asked" | "sent" | "refused" | "given_back";
  }[];
};

/** What a page asks for: money to go back by the processor. */
export const refundInput = z.object({
  key: z.string().regex(/^[A-Za-z0-9_-]{8,80}$/),
  amount: z.number().int().positive(),
  creditNoteId: z.number().int().nullable(),
  why: z.string().max(200),
});
