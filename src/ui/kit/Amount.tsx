"use client";

import type { ReactNode } from "react";

import { type Currency, formatAmount, formatMoney } from "@/core/money";

import { useBookCurrency } from "./book";

/** One of the meanings of colour. */
export type Tone = "good" | "off" | "waits" | "soft";

type AmountProps = {
  /** In minor units of its currency. */
  of: number;
  currency: Currency;
  /** Whether nothing is written as a dash. */
  dash?: boolean;
  tone?: Tone | undefined;
};

/** A sum as the conventions of accounting write it, with its currency where that is not the book's. */
export function Amount({ of, currency, dash = false, tone }: AmountProps): ReactNode {
  const book = useBookCurrency(currency);
  return (
    <span data-sum data-tone={tone}>
      {of === 0 && dash ? formatAmount(of, currency, { dash }) : formatMoney(of, currency, book)}
    </span>
  );
}

/** What is left of a sum: green and 0.00 where it comes out, red where not. */
export function LeftOver({ of, currency }: { of: number; currency: Currency }): ReactNode {
  return <Amount of={of} currency={currency} tone={of === 0 ? "good" : "off"} />;
}

type TotalProps = {
  tone?: Tone | undefined;
  /** What is left of a tally is read from afar. */
  large?: boolean;
  testId?: string;
  children: ReactNode;
};

/** A final sum, under its double rule. */
export function Total({ tone, large, testId, children }: TotalProps): ReactNode {
  return (
    <span data-total={large ? "large" : true} data-tone={tone} data-testid={testId}>
      {children}
    </span>
  );
}
