"use client";

import type { Day } from "@/core/calendar";
import type { Minor } from "@/core/money";

export type State =
  "open" | "payout" | "receipt" | "elsewhere" | "deposit" | "bounce" | "fee_bill" | "refund";
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
