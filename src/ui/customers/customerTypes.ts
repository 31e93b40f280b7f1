"use client";

import type {
  CreditLine,
  CustomerFacts,
  HistoryLine,
  PaperKept,
  PayingFacts,
} from "@/contracts/customers";
import type { BookFacts } from "@/contracts/shell";
import type { Day } from "@/core/calendar";
import type { FollowedRow } from "@/core/followup";
import type { Aging } from "@/core/metrics";
import type { Currency, Minor } from "@/core/money";
import type { ContactPerson } from "@/core/parties";

export type Customer = {
  id: number;
  externalId: string;
  name: string;
  email: string | null;
  phone: string | null;
  leftOut: string | null;
};

export type Item = {
  id: number;
  number: string;
  kind: string;
  description: string | null;
  dueOn: Day;
  total: Minor;
  balance: Minor;
  currency: Currency;
  bookBalance: Minor;
};
export type Props = BookFacts & {
  customer: Customer;
  aliases: string[];
  parent: { id: number; name: string } | null;
  sites: { id: number; name: string; open: Minor }[];
  open: Item[];
  credits: CreditLine[];
  onWay: { id: number; startedOn: Day; sum: Minor; currency: Currency; words: string }[];
  aging: Aging;
  overdue: Minor;
  credit: Minor;
  habit: string;
  learned: {
    payers: { payerName: string; payerEmail: string; times: number }[];
    habit: string | null;
  };
  waits: string[];
  history: HistoryLine[];
  followed: FollowedRow;
  ladders: { id: number; name: string; standard: boolean }[];
  why: string;
  paying: PayingFacts & { kept: number; broken: number };
  account: string;
  persons: ContactPerson[];
  facts: CustomerFacts;
  papers: PaperKept[];
  merged: { actId: number; name: string; number: string }[];
  back: { address: string; why: string }[];
};
