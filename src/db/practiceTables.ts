import type { Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

/** What the practice processor and the practice bank keep: their own books, apart from ours. */
export const PRACTICE_SCHEMA = `
  CREATE TABLE IF NOT EXISTS fact (name TEXT PRIMARY KEY, value TEXT NOT NULL) STRICT;
  CREATE TABLE IF NOT EXISTS method (
    token TEXT PRIMARY KEY, way TEXT NOT NULL, name TEXT NOT NULL, last_four TEXT NOT NULL, expires TEXT,
    -- What its bank answers: a response code of a card, a return code of an account; empty: all is well.
    answer TEXT NOT NULL
  ) STRICT;
  CREATE TABLE IF NOT EXISTS charge (
    no INTEGER PRIMARY KEY, id TEXT NOT NULL UNIQUE, key TEXT NOT NULL UNIQUE, token TEXT NOT NULL, account TEXT NOT NULL,
    amount INTEGER NOT NULL, currency TEXT NOT NULL, payer_name TEXT NOT NULL, payer_email TEXT NOT NULL,
    reference TEXT NOT NULL, made_on TEXT NOT NULL, state TEXT NOT NULL, code TEXT, fee INTEGER NOT NULL,
    -- When a debit settles, and when it comes back.
    settles_on TEXT, returns_on TEXT, disputed_on TEXT
  ) STRICT;
  -- What was sent to an account to prove it, in cents, and how often it was typed wrong.
  CREATE TABLE IF NOT EXISTS small_sums (
    token TEXT PRIMARY KEY, first INTEGER NOT NULL, second INTEGER NOT NULL, there_on TEXT NOT NULL, tries INTEGER NOT NULL DEFAULT 0
  ) STRICT;
  -- Accounts that are proven to be their payers'.
  CREATE TABLE IF NOT EXISTS proven (token TEXT PRIMARY KEY) STRICT;
  -- Codes that were typed wrong for a charge whose bank asks for one.
  CREATE TABLE IF NOT EXISTS wrong_code (charge TEXT PRIMARY KEY, tries INTEGER NOT NULL) STRICT;
  CREATE INDEX IF NOT EXISTS charge_settles ON charge (settles_on) WHERE state = 'on_way';
  CREATE INDEX IF NOT EXISTS charge_returns ON charge (returns_on) WHERE returns_on IS NOT NULL;
  CREATE TABLE IF NOT EXISTS refund (
    no INTEGER PRIMARY KEY, id TEXT NOT NULL UNIQUE, key TEXT NOT NULL UNIQUE, charge TEXT NOT NULL, amount INTEGER NOT NULL
  ) STRICT;
  CREATE TABLE IF NOT EXISTS line (
    no INTEGER PRIMARY KEY, id TEXT NOT NULL, account TEXT NOT NULL, type TEXT NOT NULL, on_day TEXT NOT NULL,
    settled_on TEXT NOT NULL, amount INTEGER NOT NULL, payer TEXT NOT NULL, email TEXT NOT NULL, memo TEXT NOT NULL,
    related TEXT NOT NULL, span_from TEXT, span_to TEXT, code TEXT NOT NULL, answer_by TEXT,
    -- The day on which it is paid out, and the payout; empty for what moves no money.
    paid_out_on TEXT, payout TEXT, told_on TEXT NOT NULL
  ) STRICT;
  CREATE INDEX IF NOT EXISTS line_told ON line (told_on, account);
  CREATE INDEX IF NOT EXISTS line_due ON line (paid_out_on) WHERE payout IS NULL;
  CREATE TABLE IF NOT EXISTS bank (
    no INTEGER PRIMARY KEY, on_day TEXT NOT NULL, description TEXT NOT NULL, amount INTEGER NOT NULL
  ) STRICT;
  CREATE INDEX IF NOT EXISTS bank_day ON bank (on_day);
  -- What customers' banks send beside a payment, and what they say of accounts that are to be mended.
  CREATE TABLE IF NOT EXISTS advice (no INTEGER PRIMARY KEY, on_day TEXT NOT NULL, said TEXT NOT NULL) STRICT;
  CREATE TABLE IF NOT EXISTS notice (
    no INTEGER PRIMARY KEY, on_day TEXT NOT NULL, charge TEXT NOT NULL, code TEXT NOT NULL, payer TEXT NOT NULL
  ) STRICT;
  -- What customers have done: each thing once.
  CREATE TABLE IF NOT EXISTS done (name TEXT PRIMARY KEY, on_day TEXT NOT NULL) STRICT;
`;

export type PracticeMethod = {
  token: string;
  way: "card" | "bank";
  name: string;
  lastFour: string;
  expires: string | null;
  answer: string;
};
export type PracticeCharge = {
  id: string;
  key: string;
  token: string;
  account: string;
  amount: Minor;
  currency: Currency;
  payerName: string;
  payerEmail: string;
  reference: string;
  madeOn: Day;
  state: "approved" | "asks_code" | "on_way" | "settled" | "declined" | "returned";
  code: string | null;
  fee: Minor;
  settlesOn: Day | null;
  returnsOn: Day | null;
  disputedOn: Day | null;
};
/** A line of an activity file; `amount` as it moves the balance with the processor. */
export type PracticeLine = {
  id: string;
  account: string;
  type: string;
  onDay: Day;
  settledOn: Day;
  amount: Minor;
  payer: string;
  email: string;
  memo: string;
  related: string;
  spanFrom: Day | null;
  spanTo: Day | null;
  code: string;
  answerBy: Day | null;
  paidOutOn: Day | null;
  toldOn: Day;
};
