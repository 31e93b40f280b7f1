import type { Day } from "@/core/calendar";

/** What the engine would have done with receipts that people placed, in the last months. */
export type ReplayFacts = {
  from: Day;
  to: Day;
  receipts: number;
  /** For each limit of risk, how many it would have posted by itself, and how many of them otherwise. */
  limits: { perThousand: number; posted: number; otherwise: number }[];
  kinds: ReplayKind[];
  /** Those that it would have posted otherwise, at the book's limit. */
  differences: ReplayDifference[];
};

/** How a kind of reading did: posted alike and otherwise, and proposed with the right one first or not. */
export type ReplayKind = {
  kind: string;
  posted: number;
  otherwise: number;
  proposed: number;
  firstRight: number;
};

export type ReplayDifference = {
  receiptId: number;
  paidOn: Day;
  from: string;
  placed: string;
  would: string;
};
