import type { Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

/** What the Fees page is given; the server's query has the same shapes. */
export type FeeLine = {
  id: number;
  externalId: string;
  account: string;
  on: Day;
  method: string;
  payer: string;
  receiptId: number | null;
  amount: Minor;
  fee: Minor;
  expected: Minor | null;
  off: Minor;
  currency: Currency;
};
export type FeeMonth = {
  account: string;
  currency: Currency;
  month: string;
  method: string;
  count: number;
  charges: Minor;
  fees: Minor;
  expected: Minor | null;
  off: Minor;
  perMillion: number;
};
export type Rate = {
  id: number;
  account: string;
  method: string;
  from: Day;
  to: Day | null;
  percent: string;
  fixed: Minor;
  least: Minor | null;
  most: Minor | null;
  brand: string | null;
  abroad: boolean | null;
  fromVolume: Minor;
  currency: Currency;
};

export const METHODS_WITH_FEES = [
  ["card", "card"],
  ["ach_debit", "ACH debit"],
] as const;

export function methodWords(method: string): string {
  return METHODS_WITH_FEES.find(([name]) => name === method)?.[1] ?? method.replaceAll("_", " ");
}

/** Parts per million as percent with two decimals. */
export function percentWords(perMillion: number): string {
  return `${(perMillion / 10_000).toFixed(2)} %`;
}
