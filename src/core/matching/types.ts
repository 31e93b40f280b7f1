import type { Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";
import type { Customer } from "@/core/parties";
import type { Method } from "@/core/receipts";

export type MatchItem = {
  readonly id: number;
  readonly number: string;
  readonly customerId: number;
  readonly issuedOn: Day;
  readonly dueOn: Day;
  readonly currency: Currency;
  readonly total: Minor;
  readonly balance: Minor;
  readonly poNumber: string | null;
  readonly terms: string | null;
  /** Whether another receipt takes a part of it; what is left is then no sum that anybody would pay. */
  readonly touched?: true;
};
export type MatchReceipt = {
  readonly id: number;
  readonly paidOn: Day;
  readonly method: Method;
  readonly currency: Currency;
  readonly amount: Minor;
  readonly payerName: string;
  readonly payerEmail: string;
  readonly reference: string;
  /** What a remittance advice says that came beside it. */
  readonly remittance?: readonly { readonly number: string; readonly amount: Minor }[];
};
/** Who paid before and for whom, with how often. */
export type PaidFor = {
  readonly payerName: string;
  readonly payerEmail: string;
  readonly customerId: number;
  readonly times: number;
};
/**
 * How a customer usually pays: of so many receipts, how many quoted a number of what they paid, and
 * how many paid several items.
 */
export type Habit = {
  readonly customerId: number;
  readonly receipts: number;
  readonly quoted: number;
  readonly several: number;
  /**
   * Days after the due day on which it pays on the average (negative: before it); null where it
   * paid too few in full to say.
   */
  readonly late?: number | null;
};
/** A receipt that was placed already; the second of two equal payments is held against it. */
export type PlacedReceipt = {
  readonly id: number;
  readonly customerId: number;
  readonly paidOn: Day;
  readonly amount: Minor;
};

/**
 * A customer who may have sent a receipt: a weight in bits (log2 of the
 * likelihood ratio, Fellegi and Sunter 1969), and whether it is beyond doubt
 * by itself: an address, or a whole name, that is this group's alone.
 */
export type Payer = {
  readonly customerId: number;
  readonly weight: number;
  readonly beyondDoubt: boolean;
  readonly reasons: readonly Reason[];
};

export type MatchingInput = {
  readonly customers: readonly Customer[];
  /** Open items; a credit note has a negative balance. */
  readonly items: readonly MatchItem[];
  readonly receipts: readonly MatchReceipt[];
  readonly history: readonly PaidFor[];
  readonly habits?: readonly Habit[];
  /** What stands on account of customers from earlier payments. */
  readonly credits?: readonly { readonly customerId: number; readonly sum: Minor }[];
  /** Numbers that memos may name though nothing is open on them any more. */
  readonly closed: readonly { readonly number: string; readonly customerId: number }[];
  readonly placed: readonly PlacedReceipt[];
  readonly settings: {
    readonly discountGraceDays: number;
    /**
     * A payment short by no more than this is looked at: it may be written off (minor units; 0
     * where nothing is).
     */
    readonly smallDifferenceLimit: number;
    /** What cards pay on top, in percent (decimal text), where that is agreed. */
    readonly surchargePercent?: string | null;
    /** How likely a sure one may be wrong at most, as estimated; a share of one. */
    readonly riskLimit?: number;
  };
};

/** A piece of the memo (or of the remittance that follows it) that a reason rests on, in characters. */
export type Spot = { readonly at: number; readonly text: string };

/** What speaks for or against a reading, as coded facts. The words stand in words.ts. */
export type Reason =
  | {
      readonly code: "numbers";
      readonly numbers: readonly string[];
      readonly how: "whole" | "digits" | "near";
      readonly spots: readonly Spot[];
    }
  | { readonly code: "po"; readonly number: string; readonly spots: readonly Spot[] }
  | { readonly code: "sum_one"; readonly number: string }
  | { readonly code: "sum_several"; readonly count: number }
  | { readonly code: "sum_all_open"; readonly count: number }
  | { readonly code: "sum_of_quoted"; readonly count: number }
  | { readonly code: "discount"; readonly sum: Minor; readonly inTime: boolean }
  | { readonly code: "discount_allowed"; readonly sum: Minor }
  | { readonly code: "surcharge"; readonly sum: Minor; readonly percent: string }
  | { readonly code: "statement"; readonly until: Day | null; readonly count: number }
  | { readonly code: "oldest_first" }
  | { readonly code: "fee"; readonly by: Minor }
  | { readonly code: "claim"; readonly by: Minor }
  | { readonly code: "rest_next" }
  | { readonly code: "rounded"; readonly by: Minor }
  | { readonly code: "email" }
  | { readonly code: "domain"; readonly domain: string }
  | { readonly code: "name"; readonly exact: boolean }
  | { readonly code: "paid_before"; readonly times: number }
  | { readonly code: "group" }
  | { readonly code: "equal_items"; readonly count: number }
  | { readonly code: "credit_note"; readonly numbers: readonly string[] }
  | { readonly code: "mended"; readonly count: number }
  | { readonly code: "sums_beside"; readonly count: number }
  | {
      readonly code: "left_out";
      readonly numbers: readonly string[];
      readonly spots: readonly Spot[];
    }
  | { readonly code: "remittance" }
  | { readonly code: "on_account"; readonly sum: Minor }
  | { readonly code: "habit"; readonly how: "several" | "single" }
  | { readonly code: "usual_day"; readonly late: number }
  | { readonly code: "against_unread"; readonly spots: readonly Spot[] }
  | { readonly code: "against_other_reading"; readonly count: number }
  | { readonly code: "against_payer" }
  | { readonly code: "against_number"; readonly spots: readonly Spot[] }
  | { readonly code: "against_closed"; readonly spots: readonly Spot[] }
  | { readonly code: "against_short"; readonly by: Minor }
  | { readonly code: "against_over"; readonly by: Minor }
  | { readonly code: "against_double"; readonly paidOn: Day; readonly receiptId: number }
  | { readonly code: "against_currency" }
  | { readonly code: "against_also"; readonly paidOn: Day }
  | { readonly code: "against_claimed" }
  | { readonly code: "against_risk"; readonly certain: number };

export type ReadingLine = {
  readonly itemId: number;
  readonly number: string;
  readonly amount: Minor;
  readonly discount: Minor;
};

/** One way to explain a receipt. What the lines do not take stays on account of the customer. */
export type MatchCandidate = {
  readonly customerId: number | null;
  readonly lines: readonly ReadingLine[];
  readonly onAccount: Minor;
  /** What was paid on top of the items as the agreed surcharge; missing where there is none. */
  readonly surcharge?: Minor;
  /** Probability that the whole reading is right, 0 to 1. */
  readonly confidence: number;
  /** The pattern of evidence that the probability is reckoned from. */
  readonly pattern: string;
  readonly reasons: readonly Reason[];
};

export type Decision = "sure" | "check" | "none";
export type Proposal = {
  readonly receiptId: number;
  readonly decision: Decision;
  /** Best first; empty where there is none. */
  readonly readings: readonly MatchCandidate[];
};
