import type { PayFacts } from "@/contracts/paying";
import type { Day } from "@/core/calendar";

import type { Paying } from "./usePaying";
import type { PayWords } from "./words";

/** What every step of a payment is told. */
export type StepProps = {
  facts: PayFacts;
  paying: Paying;
  words: PayWords;
  base: string;
  /** A sum with its currency, and a day, in the customer's language. */
  sum: (amount: number) => string;
  day: (on: Day) => string;
};
