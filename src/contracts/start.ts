import type { Day } from "@/core/calendar";

/** The way from nothing to a book that works, in the order in which it is walked. */
export const FIRST_STEPS = {
  business: {
    name: "The business",
    what: "Its name, currency and cut-over day: older invoices come over as opening balances.",
  },
  bank: {
    name: "The bank account",
    what: "What stood on it at the cut-over: every line of the statement must lead on from there.",
  },
  processor: {
    name: "Processor accounts",
    what: "Who takes cards and ACH for you: each gets a clearing account for what is not yet paid out.",
  },
  files: {
    name: "First files",
    what: "Customers, then invoices, then what the processor and the bank report.",
  },
} as const;

export type FirstStep = keyof typeof FIRST_STEPS;

/** Which steps are done; any can be left, and come back to. */
export type FirstStepsDone = Record<FirstStep, boolean>;

/** The first step that is not done yet; null where all are. */
export function nextFirstStep(done: FirstStepsDone): FirstStep | null {
  return (Object.keys(FIRST_STEPS) as FirstStep[]).find((step) => !done[step]) ?? null;
}

/** A book among others: whose it is, when something was last done, and what waits in it. */
export type BookLine = {
  book: string;
  name: string;
  /** Null where it cannot be opened; `problem` says why. */
  lastOn: Day | null;
  waiting: { arrivals: number; match: number; payouts: number };
  problem: string | null;
};
