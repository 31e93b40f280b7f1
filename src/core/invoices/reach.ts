import type { Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

/** How a customer's documents are to come. */
export const WAYS = ["mail", "paper", "none"] as const;
export type Way = (typeof WAYS)[number];

/** An approved document that is still to reach its customer. */
export type ToReach = {
  readonly id: number;
  readonly itemId: number;
  readonly kind: "invoice" | "credit_note";
  readonly number: string;
  readonly customerId: number;
  readonly customer: string;
  readonly issuedOn: Day;
  readonly dueOn: Day;
  readonly currency: Currency;
  readonly total: Minor;
  readonly way: Way;
};
