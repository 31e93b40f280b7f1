import type { Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

export type PayoutState = "tied" | "off" | "fits" | "late" | "on_way";
export type PayoutRow = {
  id: number;
  externalId: string;
  processorName: string;
  paidOn: Day;
  bankOn: Day | null;
  expectedOn: Day;
  takenFrom: Day | null;
  takenTo: Day | null;
  chargeCount: number;
  charges: Minor;
  fees: Minor;
  refunds: Minor;
  disputes: Minor;
  other: Minor;
  net: Minor;
  bankAmount: Minor | null;
  offBy: Minor | null;
  shown: PayoutState;
  statedNet: Minor | null;
  currency: Currency;
  abroad: boolean;
  bookNet: Minor;
  atBank: Minor | null;
};
export type BandDay = {
  on: Day;
  takings: Minor;
  bank: Minor;
  off: Minor;
  expected: Minor;
  holiday: boolean;
  weekend: boolean;
};
export type BankLine = { id: number; postedOn: Day; amount: Minor; description: string };
export type PayoutItem = {
  id: number;
  kind: string;
  externalId: string;
  settledOn: Day;
  amount: Minor;
  receiptId: number | null;
  payer: string;
  reason: string | null;
};
export type Remedy =
  | { as: "fee"; kind: "processing" | "dispute" | "return" }
  | { as: "take_in" | "take_out"; itemIds: readonly number[] }
  | { as: "ask"; item: number };
export type Explanation = { code: string; words: string; remedy: Remedy };
export type PayoutWorkings = {
  explanations: Explanation[];
  payout: {
    id: number;
    net: Minor;
    statedNet: Minor | null;
    offBy: Minor | null;
    candidate: { id: number; on: Day; amount: Minor; description: string } | null;
    shown: PayoutState;
    processorName: string;
    currency: Currency;
    abroad: boolean;
    bookNet: Minor;
  };
  items: PayoutItem[];
  lines: BankLine[];
  openLines: BankLine[];
  rate: string | null;
  together: { payoutIds: number[]; bankLineIds: number[]; words: string }[];
};
