import { day, type Day } from "@/core/calendar";
import { type Minor } from "@/core/money";

import { type Person } from "@/practice/people";

export const TODAY = day("2026-11-24");

export const CUT_OVER = day("2025-05-31");

export type Invoice = {
  number: string;
  person: Person;
  issuedOn: Day;
  dueOn: Day;
  total: Minor;
  tax: Minor;
  po: string;
  terms: string;
  description: string;
};

export type Given = { number: string; amount: Minor; discount: Minor; smallDifference: Minor };

/** A payment and what it is truly for; `given` empty means it stays on account, null that it is not ours. */
export type Payment = {
  id: string;
  person: Person;
  via: "card" | "ach" | "bank";
  paidOn: Day;
  amount: Minor;
  payerName: string;
  payerEmail: string;
  memo: string;
  given: Given[] | null;
  /** The code by which a debit comes back. */
  returns?: string;
};

/** What becomes of a payment by card afterwards. */
export type Extra = { kind: "refund" | "dispute"; on: Day; payment: string };

export type World = {
  people: Person[];
  invoices: Invoice[];
  payments: Payment[];
  extras: Extra[];
};
