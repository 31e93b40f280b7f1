"use client";

import { createContext, type ReactNode, useContext } from "react";

import type { BookFacts } from "@/contracts/shell";
import type { Day } from "@/core/calendar";
import type { Currency } from "@/core/money";

type Facts = BookFacts & { country?: string };

const Context = createContext<Facts | null>(null);

/** Says in which book a page is: its name in addresses, its currency, its day. */
export function InBook({ children, ...facts }: Facts & { children: ReactNode }): ReactNode {
  return <Context value={facts}>{children}</Context>;
}

/** The book's day; the machine's outside of a book. */
export function useToday(): Day {
  const today = useContext(Context)?.today;
  return today ?? (new Date().toISOString().slice(0, 10) as Day);
}

/** The book's country (ISO 3166); empty where it is not known. */
export function useCountry(): string {
  return useContext(Context)?.country ?? "";
}

/** The currency that sums are kept in, or the fallback outside of a book. */
export function useBookCurrency(fallback: Currency): Currency {
  return useContext(Context)?.currency ?? fallback;
}
