"use client";

import { createContext, type ReactNode, useContext } from "react";

import { type Currency, formatAmount, formatMoney } from "@/core/money";

const BookCurrency = createContext<Currency | null>(null);

/** Says in which currency the book is kept: sums in others bear their code. */
export function InBook({
  currency,
  children,
}: {
  currency: Currency;
  children: ReactNode;
}): ReactNode {
  return <BookCurrency value={currency}>{children}</BookCurrency>;
}

/** A sum as the conventions of accounting write it; `tone` colours it only with a meaning. */
export function Sum({
  of,
  currency,
  dash = false,
  tone,
}: {
  of: number;
  currency: Currency;
  dash?: boolean;
  tone?: "good" | "off" | "waits" | undefined;
}): ReactNode {
  const book = useContext(BookCurrency) ?? currency;
  return (
    <span className={tone ? `sum ${tone}` : "sum"}>
      {of === 0 && dash ? formatAmount(of, currency, { dash }) : formatMoney(of, currency, book)}
    </span>
  );
}

/** What is left of a sum: green and 0.00 where it comes out, red where not. */
export function LeftOver({ of, currency }: { of: number; currency: Currency }): ReactNode {
  return <Sum of={of} currency={currency} tone={of === 0 ? "good" : "off"} />;
}
