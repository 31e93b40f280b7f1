import type { Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

type QueueTraits = {
  label: string;
  /** Beside the work: shown only while something is in it, and without its sum. */
  beside: boolean;
  /** What the page says where nothing is in it, if that is all there is to say. */
  empty: string | null;
};

/** The queues of Match, in the order of their tabs. */
export const QUEUE_KINDS = {
  sure: { label: "Sure", beside: false, empty: null },
  check: { label: "To check", beside: false, empty: null },
  none: { label: "No home yet", beside: false, empty: null },
  second: { label: "Approvals", beside: true, empty: "No write-off waits for a second person." },
  aside: { label: "Set aside", beside: true, empty: "Nothing is set aside." },
} as const satisfies Record<string, QueueTraits>;

export type QueueName = keyof typeof QUEUE_KINDS;
export const QUEUES = Object.keys(QUEUE_KINDS) as [QueueName, ...QueueName[]];

/** What the Match page is given; the server's queries have the same shapes. */
export type MatchRow = {
  id: number;
  paidOn: Day;
  method: string;
  from: string;
  memo: string;
  best: string;
  look: string;
  lookAgainst: boolean;
  amount: Minor;
  currency: Currency;
  leftOver: Minor | null;
  confidence: number;
};
export type WorkingsItem = {
  itemId: number;
  number: string;
  customer: string;
  own: boolean;
  description: string;
  dueOn: Day;
  open: Minor;
};
export type WorkingsLine = {
  itemId: number;
  number: string;
  description: string;
  open: Minor;
  amount: Minor;
  discount: Minor;
};
/** A reason in words, with the pieces of the memo, or the field, that it rests on. */
export type ShownReason = {
  words: string;
  against: boolean;
  spots: readonly { at: number; text: string }[];
  field: "name" | "email" | "sum" | null;
};
export type WorkingsReading = {
  customerId: number | null;
  customer: string;
  words: string;
  lines: WorkingsLine[];
  onAccount: Minor;
  surcharge: Minor;
  confidence: number;
  reasons: ShownReason[];
  /** In one sentence what would make it sure; null where it is. */
  toBeSure: string | null;
  withCredit: boolean;
};
export type OnAccount = { receiptId: number; on: Day; sum: Minor };
export type Twin = {
  receiptId: number;
  paidOn: Day;
  method: string;
  from: string;
  memo: string;
  amount: Minor;
  became: string;
  /** What is open at the customer, and whether anything of this sum is. */
  open: string;
};
export type AskedApproval = {
  approvalId: number;
  sum: Minor;
  why: string;
  askedBy: string;
  words: string;
};
export type MatchWorkings = {
  receiptId: number;
  amount: Minor;
  currency: Currency;
  from: string;
  email: string;
  memo: string;
  remittance: { number: string; amount: Minor; discount: Minor }[];
  number: string | null;
  readings: WorkingsReading[];
  customerId: number | null;
  customer: string;
  items: WorkingsItem[];
  credits: OnAccount[];
  /** What was written off of the debts of the customer and its group, and not paid since. */
  givenUp: Minor;
  settledOn: Day;
  account: string;
  fee: Minor;
  disputed: boolean;
  twin: Twin | null;
  asked: AskedApproval | null;
  limit: Minor;
  people: number;
  surcharges: boolean;
};
export type FoundCustomer = {
  id: number;
  name: string;
  externalId: string;
  open: Minor;
  /** What is agreed with it; null: as the book says. */
  terms: string | null;
  currency: Currency | null;
};
export type HandRow = {
  id: number;
  paidOn: Day;
  what: string;
  from: string;
  memo: string;
  amount: Minor;
  state: "to_match" | "placed" | "set_aside" | "returned";
};
/** A line of a statement, as far as it is shown beside what it may be. */
export type StatementLine = { id: number; postedOn: Day; description: string; amount: Minor };
export type DepositUnderWay = {
  id: number;
  onDay: Day;
  bank: string;
  sum: Minor;
  rows: HandRow[];
  lines: StatementLine[];
};
export type OnHandFacts = {
  rows: HandRow[];
  sum: Minor;
  deposits: DepositUnderWay[];
  depositsSum: Minor;
  banks: { code: string; name: string }[];
};
export type SureRow = {
  id: number;
  from: string;
  memo: string;
  to: string;
  why: string;
  kind: string;
  odd: string | null;
  sum: Minor;
  currency: Currency;
  book: Minor;
  said: string;
};

export type ReceiptItem = {
  id: number;
  kind: string;
  externalId: string;
  on: Day;
  amount: Minor;
  payout: { id: number; externalId: string } | null;
  disputeOpen: boolean;
};

/** What came of posting the sure ones; `left`: those that changed meanwhile. */
export type SurePosted = {
  posted: number;
  /** In the book's currency. */
  sum: Minor;
  left: number;
  commandId: number;
};

/**
 * A line of a tally: what an open item gets from the receipt, and what is taken off it besides.
 * Minor units; negative on a credit note.
 */
export type TallyLine = { itemId: number; amount: Minor; discount: Minor; smallDifference: Minor };
