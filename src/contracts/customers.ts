import type { Day } from "@/core/calendar";
import type { Language } from "@/core/followup";
import type { PaidFor } from "@/core/matching";
import type { Aging, OpenLine } from "@/core/metrics";
import type { Currency, Minor } from "@/core/money";

/**
 * What a customer sees of its account: what is open with its age, and what stands to its credit;
 * nothing of anybody else.
 */
export type AccountFacts = {
  customerId: number;
  customer: string;
  business: string;
  questions: string;
  language: Language;
  today: Day;
  from: Day;
  /** What was paid lately, the latest first. */
  payments: { id: number; on: Day; amount: Minor; currency: Currency }[];
  parts: {
    currency: Currency;
    owed: Minor;
    overdue: Minor;
    onAccount: Minor;
    aging: Aging;
    open: {
      id: number;
      number: string;
      kind: string;
      site: string | null;
      description: string | null;
      issuedOn: Day;
      dueOn: Day;
      total: Minor;
      balance: Minor;
      /** Whether it was written here, and there is data of it beside its paper. */
      written: boolean;
    }[];
  }[];
};

/** A customer that another may be a double of. */
export type Alike = { id: number; name: string; number: string; why: string };

/** What stands on a customer's page beside its name, as it is typed. */
export type CustomerFacts = {
  id: number | null;
  name: string;
  number: string;
  email: string;
  phone: string;
  parent: { id: number; name: string } | null;
  address: string;
  country: string;
  taxNumber: string;
  terms: string;
  currency: string;
  way: "mail" | "paper" | "none";
  paysBy: "" | "card" | "bank" | "card,bank";
  notes: string;
  /** Which look its papers have; empty: the usual one. */
  look: string;
};

/** A customer of whom nothing is known yet. */
export const NEW_CUSTOMER: CustomerFacts = {
  id: null,
  name: "",
  number: "",
  email: "",
  phone: "",
  parent: null,
  address: "",
  country: "",
  taxNumber: "",
  terms: "",
  currency: "",
  way: "mail",
  paysBy: "",
  notes: "",
  look: "",
};

/** A paper that belongs to a customer. */
export type PaperKept = { id: number; actId: number; name: string; size: number; addedOn: Day };

export type HistoryLine = {
  on: Day;
  kind: string;
  words: string;
  more: string;
  href: string | null;
  actId: number | null;
  undone: boolean;
  /** The letter that it is, where it is one that went. */
  letterId: number | null;
};

/** Money of the customer that stands on account, receipt by receipt. */
export type CreditLine = {
  receiptId: number;
  on: Day;
  sum: Minor;
  currency: Currency;
  words: string;
};

/** What the book learned of a customer from receipts: who pays for it, and how. */
export type Learned = { payers: PaidFor[]; habit: string | null };

export type StatementLine = {
  on: Day;
  words: string;
  /** What happened, by the journal's event, and to which document: what the words are made of. */
  event: string;
  document: string;
  amount: Minor;
  balance: Minor;
};

/**
 * A customer's account in one currency: what it began with, what moved, what it ended with, and
 * what is open of it. Positive is owed to the book.
 */
export type StatementPart = {
  currency: Currency;
  opening: Minor;
  lines: StatementLine[];
  closing: Minor;
  open: OpenLine[];
  /** Open items less what stands on account: the closing. */
  onAccount: Minor;
  aging: Aging;
};

/**
 * How a customer pays, over a year: days late of the invoices paid in full in each month (their
 * mean, and the invoices), and by which methods.
 */
export type PayingFacts = {
  months: {
    month: string;
    daysLate: number;
    count: number;
    invoices: { id: number; number: string; daysLate: number }[];
  }[];
  methods: { method: string; count: number }[];
};
