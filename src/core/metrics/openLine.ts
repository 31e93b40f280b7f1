import type { Day } from "../calendar";
import type { Currency, Minor } from "../money";
import type { AgedBy, AgeSpan } from "./aging";

/** An open item as it stood at the end of a day, in its own currency. */
export type OpenLine = {
  id: number;
  kind: "invoice" | "late_fee" | "credit_note";
  number: string;
  customer: string;
  issuedOn: Day;
  dueOn: Day;
  currency: Currency;
  total: Minor;
  balance: Minor;
  /** The same in the book's currency. */
  bookBalance: Minor;
  poNumber: string | null;
  description: string | null;
};

/**
 * What is asked of an aging: as of which day, counted from which day of an item, in which columns;
 * in one currency's own sums, or (null) everything in the book's.
 */
export type AgeAsk = {
  readonly asOf: Day;
  readonly by: AgedBy;
  readonly spans: readonly AgeSpan[];
  readonly currency: Currency | null;
};
