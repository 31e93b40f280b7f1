import type { Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

/** Something that waits for a second person. */
export type Waiting = {
  /** Unlike any other in the list. */
  key: string;
  kind: "document" | "short receipt" | "write-off" | "refund";
  /** The document, receipt's request or write-off that is decided. */
  id: number;
  words: string;
  why: string;
  customer: string;
  askedBy: string;
  /** Null where the day is not kept. */
  askedOn: Day | null;
  sum: Minor;
  currency: Currency;
  /** Where it stands with all that belongs to it, below the book. */
  href: string;
};
