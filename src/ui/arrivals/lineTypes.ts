"use client";

import type { Day } from "@/core/calendar";
import type { Minor } from "@/core/money";

export type State =
  "open" | "payout" | "receipt" | "elsewhere" | "deposit" | "bounce" | "fee_bill" | "refund";
/** What a line is, in words. */
export const LINE_WORDS: Record<State, string> = {
  open: "to be explained",
  payout: "a payout",
  receipt: "a receipt by itself",
  elsewhere: "put aside",
  deposit: "a deposit by hand",
  bounce: "a check taken back, or its fee",
  fee_bill: "the processor’s bill",
  refund: "credit sent back",
};
/** What a rule fits of the lines that came: the newest of them, and how many are what. */
export type Like = {
  lines: Pick<Line, "id" | "postedOn" | "description" | "amount" | "state">[];
  counts: { state: State; count: number }[];
};
export type Line = {
  id: number;
  postedOn: Day;
  description: string;
  amount: Minor;
  state: State;
  receiptId: number | null;
  fileId: number | null;
  lineNo: number | null;
};
