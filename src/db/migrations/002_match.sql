-- Receipts by hand and their bank deposits, a second person for write-offs,
-- remittance advice, what was learned and forgotten, days that are closed,
-- lumps taken apart, and fees as they were agreed.
-- Tables whose CHECKs change are made anew; foreign keys are checked after it.

CREATE TABLE import_file_new (
  id INTEGER PRIMARY KEY,
  sha256 TEXT NOT NULL,
  name TEXT NOT NULL,
  size INTEGER NOT NULL,
  kind TEXT NOT NULL CHECK (kind IN ('customers', 'invoices', 'processor', 'bank', 'remittance', 'returns')),
  mapping TEXT NOT NULL,
  imported_at TEXT NOT NULL,
  on_day TEXT NOT NULL,
  actor TEXT NOT NULL,
  rows_new INTEGER NOT NULL,
  rows_known INTEGER NOT NULL,
  rows_changed INTEGER NOT NULL,
  rows_refused INTEGER NOT NULL
) STRICT;
INSERT INTO import_file_new SELECT id, sha256, name, size, kind, mapping, imported_at, on_day, actor, rows_new, rows_known, rows_changed, rows_refused FROM import_file;
DROP TABLE import_file;
ALTER TABLE import_file_new RENAME TO import_file;

-- number: of a check, a money order, a wire. income: what was other income. hand_state: where a receipt by
-- hand lies; empty for what came by the processor or the bank.
CREATE TABLE receipt_new (
  id INTEGER PRIMARY KEY,
  source TEXT NOT NULL CHECK (source IN ('processor', 'bank', 'hand')),
  method TEXT NOT NULL CHECK (method IN ('card', 'ach_debit', 'ach_credit', 'wire', 'check', 'cash', 'money_order', 'other')),
  paid_on TEXT NOT NULL,
  settled_on TEXT NOT NULL,
  currency TEXT NOT NULL,
  amount INTEGER NOT NULL CHECK (amount > 0),
  payer_name TEXT NOT NULL,
  payer_email TEXT NOT NULL,
  reference TEXT NOT NULL,
  customer_id INTEGER REFERENCES customer (id),
  state TEXT NOT NULL CHECK (state IN ('to_match', 'placed', 'set_aside', 'returned')),
  unidentified INTEGER NOT NULL CHECK (unidentified >= 0),
  on_account INTEGER NOT NULL DEFAULT 0,
  applied INTEGER NOT NULL DEFAULT 0,
  parked INTEGER NOT NULL DEFAULT 0,
  gone_back INTEGER NOT NULL DEFAULT 0,
  disputed INTEGER NOT NULL DEFAULT 0 CHECK (disputed IN (0, 1)),
  reason TEXT,
  file_id INTEGER REFERENCES import_file (id),
  line_no INTEGER,
  number TEXT,
  hand_state TEXT CHECK (hand_state IN ('on_hand', 'deposited', 'banked', 'void')),
  deposit_id INTEGER REFERENCES deposit (id),
  income INTEGER NOT NULL DEFAULT 0 CHECK (income >= 0),
  CHECK (unidentified + on_account + applied + parked + income + gone_back = amount),
  CHECK ((source = 'hand') = (hand_state IS NOT NULL))
) STRICT;
INSERT INTO receipt_new (id, source, method, paid_on, settled_on, currency, amount, payer_name, payer_email, reference, customer_id, state, unidentified, on_account, applied, parked, gone_back, disputed, reason, file_id, line_no)
  SELECT id, source, method, paid_on, settled_on, currency, amount, payer_name, payer_email, reference, customer_id, state, unidentified, on_account, applied, parked, gone_back, disputed, reason, file_id, line_no FROM receipt;
DROP TABLE receipt;
ALTER TABLE receipt_new RENAME TO receipt;
CREATE INDEX receipt_to_match ON receipt (paid_on, id) WHERE state = 'to_match';
CREATE INDEX receipt_customer ON receipt (customer_id, paid_on) WHERE customer_id IS NOT NULL;
CREATE INDEX receipt_day ON receipt (paid_on, id);
CREATE INDEX receipt_hand ON receipt (hand_state, deposit_id) WHERE hand_state IS NOT NULL;

-- Receipts by hand that went to the bank together.
CREATE TABLE deposit (
  id INTEGER PRIMARY KEY,
  bank_account_id INTEGER NOT NULL REFERENCES bank_account (id),
  on_day TEXT NOT NULL,
  currency TEXT NOT NULL,
  sum INTEGER NOT NULL CHECK (sum > 0),
  state TEXT NOT NULL DEFAULT 'made' CHECK (state IN ('made', 'banked', 'undone')),
  bank_line_id INTEGER REFERENCES bank_line (id)
) STRICT;
CREATE INDEX deposit_made ON deposit (on_day) WHERE state = 'made';

CREATE TABLE bank_line_new (
  id INTEGER PRIMARY KEY,
  bank_account_id INTEGER NOT NULL REFERENCES bank_account (id),
  external_id TEXT NOT NULL,
  posted_on TEXT NOT NULL,
  currency TEXT NOT NULL,
  amount INTEGER NOT NULL,
  description TEXT NOT NULL,
  state TEXT NOT NULL CHECK (state IN ('open', 'payout', 'receipt', 'elsewhere', 'deposit', 'bounce')),
  receipt_id INTEGER REFERENCES receipt (id),
  rule_id INTEGER REFERENCES bank_rule (id),
  balance_after INTEGER,
  file_id INTEGER REFERENCES import_file (id),
  line_no INTEGER,
  UNIQUE (bank_account_id, external_id)
) STRICT;
INSERT INTO bank_line_new SELECT id, bank_account_id, external_id, posted_on, currency, amount, description, state, receipt_id, rule_id, balance_after, file_id, line_no FROM bank_line;
DROP TABLE bank_line;
ALTER TABLE bank_line_new RENAME TO bank_line;
CREATE INDEX bank_line_day ON bank_line (bank_account_id, posted_on, id);
CREATE INDEX bank_line_open ON bank_line (posted_on) WHERE state = 'open';

-- What small_difference of an application is: within the limit, or written off with approval.
ALTER TABLE application ADD COLUMN write_off TEXT NOT NULL DEFAULT 'small' CHECK (write_off IN ('small', 'bad_debt'));

-- The day an entry would have borne, where that day was closed.
ALTER TABLE entry ADD COLUMN dated_for TEXT;

-- What waits for a second person: a tally that writes off more than the limit.
CREATE TABLE approval (
  id INTEGER PRIMARY KEY,
  receipt_id INTEGER NOT NULL REFERENCES receipt (id),
  tally TEXT NOT NULL,
  sum INTEGER NOT NULL,
  why TEXT NOT NULL,
  asked_by TEXT NOT NULL,
  asked_on TEXT NOT NULL,
  state TEXT NOT NULL DEFAULT 'waiting' CHECK (state IN ('waiting', 'approved', 'refused', 'withdrawn')),
  decided_by TEXT,
  decided_why TEXT,
  placed_act INTEGER REFERENCES act (id),
  act_id INTEGER NOT NULL REFERENCES act (id)
) STRICT;
CREATE UNIQUE INDEX approval_waiting ON approval (receipt_id) WHERE state = 'waiting';

-- Remittance advice: the numbers that a payment's own line does not carry.
CREATE TABLE remittance (
  id INTEGER PRIMARY KEY,
  trace TEXT NOT NULL,
  paid_on TEXT NOT NULL,
  currency TEXT NOT NULL,
  sum INTEGER NOT NULL,
  payer_name TEXT NOT NULL,
  receipt_id INTEGER REFERENCES receipt (id),
  file_id INTEGER NOT NULL REFERENCES import_file (id),
  UNIQUE (trace, paid_on, sum)
) STRICT;
CREATE INDEX remittance_receipt ON remittance (receipt_id) WHERE receipt_id IS NOT NULL;
CREATE INDEX remittance_loose ON remittance (sum) WHERE receipt_id IS NULL;

CREATE TABLE remittance_line (
  remittance_id INTEGER NOT NULL REFERENCES remittance (id),
  line_no INTEGER NOT NULL,
  number TEXT NOT NULL,
  amount INTEGER NOT NULL,
  discount INTEGER NOT NULL DEFAULT 0,
  PRIMARY KEY (remittance_id, line_no)
) STRICT, WITHOUT ROWID;

-- A clerk gave a receipt to another customer than was proposed: it outweighs
-- what was learned of that payer and the proposed customer before.
CREATE TABLE correction (
  id INTEGER PRIMARY KEY,
  receipt_id INTEGER NOT NULL REFERENCES receipt (id),
  payer_name TEXT NOT NULL,
  payer_email TEXT NOT NULL,
  not_customer_id INTEGER NOT NULL REFERENCES customer (id),
  customer_id INTEGER NOT NULL REFERENCES customer (id),
  up_to_receipt INTEGER NOT NULL,
  act_id INTEGER NOT NULL REFERENCES act (id)
) STRICT;
CREATE INDEX correction_payer ON correction (not_customer_id, payer_name, payer_email);

-- What people had the book forget about a customer: receipts up to the one
-- named teach it no more. An empty payer stands for the customer's habits.
CREATE TABLE forgotten (
  id INTEGER PRIMARY KEY,
  customer_id INTEGER NOT NULL REFERENCES customer (id),
  what TEXT NOT NULL CHECK (what IN ('payer', 'habit')),
  payer_name TEXT NOT NULL,
  payer_email TEXT NOT NULL,
  up_to_receipt INTEGER NOT NULL,
  act_id INTEGER NOT NULL REFERENCES act (id)
) STRICT;
CREATE INDEX forgotten_customer ON forgotten (customer_id);

-- Items that an act moved into a payout or out of it, so that undo puts them back.
CREATE TABLE item_move (
  act_id INTEGER NOT NULL REFERENCES act (id),
  item_id INTEGER NOT NULL REFERENCES processor_item (id),
  from_payout INTEGER REFERENCES payout (id),
  to_payout INTEGER REFERENCES payout (id),
  PRIMARY KEY (act_id, item_id)
) STRICT, WITHOUT ROWID;

-- What was agreed with a processor: percent of a charge and a fixed sum, within
-- a least and a most, for a method and a period.
CREATE TABLE agreed_rate (
  id INTEGER PRIMARY KEY,
  processor_account_id INTEGER NOT NULL REFERENCES processor_account (id),
  method TEXT NOT NULL,
  from_day TEXT NOT NULL,
  to_day TEXT,
  percent TEXT NOT NULL,
  fixed INTEGER NOT NULL CHECK (fixed >= 0),
  least INTEGER CHECK (least >= 0),
  most INTEGER CHECK (most >= 0),
  ended_by INTEGER REFERENCES act (id)
) STRICT;
CREATE INDEX agreed_rate_account ON agreed_rate (processor_account_id, method, from_day);
