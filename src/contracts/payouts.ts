import type { ProcessorItemKind } from "@/core/activity";
import type { Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";
import type { Explanation } from "@/core/payouts";
import type { ReturnRate } from "@/core/receipts";

export type PayoutState = "tied" | "off" | "fits" | "late" | "on_way";
export type PayoutRow = {
  id: number;
  externalId: string;
  processorName: string;
  paidOn: Day;
  bankOn: Day | null;
  expectedOn: Day;
  takenFrom: Day | null;
  takenTo: Day | null;
  chargeCount: number;
  charges: Minor;
  fees: Minor;
  refunds: Minor;
  disputes: Minor;
  other: Minor;
  net: Minor;
  bankAmount: Minor | null;
  offBy: Minor | null;
  shown: PayoutState;
  statedNet: Minor | null;
  currency: Currency;
  abroad: boolean;
  bookNet: Minor;
  atBank: Minor | null;
};
export type BandDay = {
  on: Day;
  takings: Minor;
  bank: Minor;
  off: Minor;
  expected: Minor;
  holiday: boolean;
  weekend: boolean;
};
export type BankLine = { id: number; postedOn: Day; amount: Minor; description: string };
export type PayoutItem = {
  id: number;
  kind: ProcessorItemKind;
  externalId: string;
  settledOn: Day;
  amount: Minor;
  receiptId: number | null;
  payer: string;
  reason: string | null;
};
export type { Explanation, MovedItem } from "@/core/payouts";
/** The bank line that a payout would tie to. */
export type CandidateLine = { id: number; on: Day; amount: Minor; description: string };
export type PayoutWorkings = {
  explanations: Explanation[];
  payout: {
    id: number;
    net: Minor;
    statedNet: Minor | null;
    offBy: Minor | null;
    candidate: CandidateLine | null;
    shown: PayoutState;
    processorName: string;
    currency: Currency;
    abroad: boolean;
    bookNet: Minor;
  };
  items: PayoutItem[];
  lines: BankLine[];
  openLines: BankLine[];
  rate: string | null;
  together: { payoutIds: number[]; bankLineIds: number[]; words: string }[];
};

/** What can be done about something that came back. */
export type ReturnTodo =
  | { as: "retry"; returnItemId: number; until: Day; first: Day }
  | { as: "answer"; processorItemId: number }
  | {
      as: "credit_note";
      receiptId: number;
      customerId: number;
      notes: { itemId: number; number: string; sum: Minor }[];
      missing: Minor;
    }
  | { as: "mend"; noticeId: number };

export type ReturnRow = {
  /** The item's own id; a notice's below zero. */
  id: number;
  what: string;
  words: string;
  from: string;
  customerId: number | null;
  receiptId: number | null;
  on: Day;
  sum: Minor | null;
  currency: Currency;
  /** By when something must be done; null where nothing must. */
  until: Day | null;
  open: boolean;
  todo: ReturnTodo | null;
};

/**
 * What is on its way to the bank, in the book's currency: payouts that are told of, then what is in
 * none yet.
 */
export type ExpectedRow = {
  key: string;
  on: Day;
  account: string;
  what: string;
  from: Day | null;
  to: Day | null;
  sum: Minor;
  late: boolean;
  href: string | null;
};

/** What is on its way to the bank, and what can still come back. */
export type ExpectedPayments = {
  rows: ExpectedRow[];
  /** Debits that were started and have not settled. */
  started: {
    id: number;
    startedOn: Day;
    from: string;
    customerId: number | null;
    sum: Minor;
    currency: Currency;
  }[];
  /**
   * Debits that settled within the last two banking days, each with the day until which most
   * returns can come.
   */
  returnable: { settledOn: Day; until: Day; count: number; sum: Minor }[];
  /** Debits of the last 60 days, which a consumer can still call not authorized. */
  sixty: { count: number; sum: Minor };
  rates: ReturnRate[];
};

export type ClearingFacts = {
  asOf: Day;
  rows: {
    id: number;
    postedOn: Day;
    what: string;
    from: string;
    account: string;
    payout: string | null;
    bankedOn: Day | null;
    amount: Minor;
    currency: Currency;
    href: string;
  }[];
  count: number;
  sum: Minor;
  /** Each processor's items against its account in the ledger, as of the day. */
  accounts: { name: string; items: Minor; ledger: Minor }[];
  page: number;
  pageRows: number;
};

/**
 * What a lump on the statement may be made of: the likeliest sets of what is in clearing, and how
 * many sets there are at all.
 */
export type BulkPayout = {
  account: string;
  count: number | null;
  cap: number;
  answers: { itemIds: number[]; receipts: number; words: string; leftOut: string[] }[];
};

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
  code: string;
  /** Its fees are billed by the month, not taken from each charge. */
  monthly: boolean;
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

export type AgreedRateView = {
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

/** Fees checked against what was agreed. */
export type AccruedMonth = {
  account: string;
  code: string;
  month: string;
  sum: Minor;
  state: "accrued" | "billed" | "to accrue";
};

export type FeesFacts = {
  /** Charges whose fee was too much or too little, worst first; `count` of all. */
  lines: FeeLine[];
  count: number;
  checked: number;
  over: Minor;
  months: FeeMonth[];
  rates: AgreedRateView[];
  accounts: { code: string; name: string; monthly: boolean }[];
  /** Months of accounts that are billed by the month: what is accrued, and what is still to be. */
  accrued: AccruedMonth[];
  /** What the last twelve months' card charges would have cost by ACH, where a rate for it is agreed. */
  ach: { saved: Minor; perMonth: number; from: number | null; fixed: Minor } | null;
};

/** What a bank line brought of a payout. */
export type PayoutShare = { id: number; externalId: string; processor: string; share: Minor };
