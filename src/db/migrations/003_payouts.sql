-- Other names that customers go by; surcharges; tax parts of discounts and bad
-- debts; what came back and by when something must be done; fees billed by the
-- month; payouts that share a bank line; balances by day; what was exported.
-- Tables whose CHECKs change are made anew; foreign keys are checked after it.

CREATE TABLE customer_alias (
  customer_id INTEGER NOT NULL REFERENCES customer (id),
  alias TEXT NOT NULL CHECK (alias <> ''),
  PRIMARY KEY (customer_id, alias)
) STRICT, WITHOUT ROWID;

-- surcharge: what was paid on top of the invoices, as agreed.
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
  surcharge INTEGER NOT NULL DEFAULT 0 CHECK (surcharge >= 0),
  CHECK (unidentified + on_account + applied + parked + income + surcharge + gone_back = amount),
  CHECK ((source = 'hand') = (hand_state IS NOT NULL))
) STRICT;
INSERT INTO receipt_new (id, source, method, paid_on, settled_on, currency, amount, payer_name, payer_email, reference, customer_id, state, unidentified, on_account, applied, parked, gone_back, disputed, reason, file_id, line_no, number, hand_state, deposit_id, income)
  SELECT id, source, method, paid_on, settled_on, currency, amount, payer_name, payer_email, reference, customer_id, state, unidentified, on_account, applied, parked, gone_back, disputed, reason, file_id, line_no, number, hand_state, deposit_id, income FROM receipt;
DROP TABLE receipt;
ALTER TABLE receipt_new RENAME TO receipt;
CREATE INDEX receipt_to_match ON receipt (paid_on, id) WHERE state = 'to_match';
CREATE INDEX receipt_customer ON receipt (customer_id, paid_on) WHERE customer_id IS NOT NULL;
CREATE INDEX receipt_day ON receipt (paid_on, id);
CREATE INDEX receipt_hand ON receipt (hand_state, deposit_id) WHERE hand_state IS NOT NULL;

-- The part of a discount, and of a debt given up, that lowers the tax owed.
ALTER TABLE application ADD COLUMN discount_tax INTEGER NOT NULL DEFAULT 0;
ALTER TABLE application ADD COLUMN write_off_tax INTEGER NOT NULL DEFAULT 0;

-- Why an ACH debit came back (Nacha return code), by when a dispute must be
-- answered, and what card was used, for the rates that were agreed.
ALTER TABLE processor_item ADD COLUMN return_code TEXT;
ALTER TABLE processor_item ADD COLUMN answer_by TEXT;
ALTER TABLE processor_item ADD COLUMN answered_on TEXT;
ALTER TABLE processor_item ADD COLUMN brand TEXT;
ALTER TABLE processor_item ADD COLUMN abroad INTEGER NOT NULL DEFAULT 0 CHECK (abroad IN (0, 1));

CREATE INDEX processor_item_related ON processor_item (processor_account_id, related_id) WHERE receipt_id IS NULL AND related_id IS NOT NULL;

-- Fees that are taken with the charges, or billed by the month.
ALTER TABLE processor_account ADD COLUMN fee_billing TEXT NOT NULL DEFAULT 'taken' CHECK (fee_billing IN ('taken', 'monthly'));

-- Several payouts may come in one line; each has its share of it.
DROP INDEX payout_tie_line;
CREATE INDEX payout_tie_line ON payout_tie (bank_line_id) WHERE ended_by IS NULL;

-- What the balance of an account moved by on each day, so that any day's
-- balances are there at once; kept by the database itself.
CREATE TABLE account_day (
  account_id INTEGER NOT NULL REFERENCES account (id),
  posted_on TEXT NOT NULL,
  sum INTEGER NOT NULL,
  lines INTEGER NOT NULL,
  PRIMARY KEY (account_id, posted_on)
) STRICT, WITHOUT ROWID;
INSERT INTO account_day SELECT l.account_id, e.posted_on, sum(l.book_amount), count(*) FROM posting p JOIN entry e ON e.id = p.entry_id JOIN entry_line l ON l.entry_id = e.id GROUP BY 1, 2;
DROP TRIGGER posting_balances;
CREATE TRIGGER posting_days AFTER INSERT ON posting BEGIN
  INSERT INTO account_day (account_id, posted_on, sum, lines)
    SELECT l.account_id, (SELECT posted_on FROM entry WHERE id = NEW.entry_id), l.book_amount, 1 FROM entry_line l WHERE l.entry_id = NEW.entry_id
    ON CONFLICT (account_id, posted_on) DO UPDATE SET sum = account_day.sum + excluded.sum, lines = account_day.lines + excluded.lines;
END;
-- A balance is the sum of its days: nothing else is kept for it.
ALTER TABLE account DROP COLUMN balance;
CREATE VIEW account_now AS SELECT a.id, a.code, a.name, a.role, a.of, coalesce((SELECT sum(d.sum) FROM account_day d WHERE d.account_id = a.id), 0) AS balance FROM account a;

-- Processing fees of a month that are billed later, by the processor's account.
CREATE TABLE fee_accrual (
  id INTEGER PRIMARY KEY,
  processor_account_id INTEGER NOT NULL REFERENCES processor_account (id),
  month TEXT NOT NULL,
  currency TEXT NOT NULL,
  sum INTEGER NOT NULL,
  on_day TEXT NOT NULL,
  state TEXT NOT NULL DEFAULT 'accrued' CHECK (state IN ('accrued', 'billed', 'undone')),
  bank_line_id INTEGER REFERENCES bank_line (id),
  act_id INTEGER NOT NULL REFERENCES act (id)
) STRICT;
CREATE INDEX fee_accrual_open ON fee_accrual (processor_account_id, month) WHERE state = 'accrued';

-- Bank lines may also be the bill for fees, or credit that was sent back.
CREATE TABLE bank_line_new (
  id INTEGER PRIMARY KEY,
  bank_account_id INTEGER NOT NULL REFERENCES bank_account (id),
  external_id TEXT NOT NULL,
  posted_on TEXT NOT NULL,
  currency TEXT NOT NULL,
  amount INTEGER NOT NULL,
  description TEXT NOT NULL,
  state TEXT NOT NULL CHECK (state IN ('open', 'payout', 'receipt', 'elsewhere', 'deposit', 'bounce', 'fee_bill', 'refund')),
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

-- A returned debit that is to be tried again, and on what day.
CREATE TABLE ach_retry (
  id INTEGER PRIMARY KEY,
  return_item_id INTEGER NOT NULL REFERENCES processor_item (id),
  receipt_id INTEGER NOT NULL REFERENCES receipt (id),
  nth INTEGER NOT NULL CHECK (nth IN (1, 2)),
  planned_on TEXT NOT NULL,
  act_id INTEGER NOT NULL REFERENCES act (id)
) STRICT;
CREATE INDEX ach_retry_receipt ON ach_retry (receipt_id);

-- Notifications of change (Nacha addenda 98): what is wrong with a payer's
-- account, by when it must be mended, and that it was. New account numbers are
-- kept by their last four digits only.
CREATE TABLE change_notice (
  id INTEGER PRIMARY KEY,
  external_id TEXT NOT NULL UNIQUE,
  code TEXT NOT NULL,
  receipt_id INTEGER REFERENCES receipt (id),
  customer_id INTEGER REFERENCES customer (id),
  name TEXT NOT NULL,
  told_on TEXT NOT NULL,
  mend_by TEXT NOT NULL,
  correction TEXT NOT NULL,
  mended_on TEXT,
  mended_by INTEGER REFERENCES act (id),
  file_id INTEGER REFERENCES import_file (id),
  line_no INTEGER
) STRICT;

-- Agreed rates by the card's brand, for cards from abroad, and from a month's
-- volume on.
ALTER TABLE agreed_rate ADD COLUMN brand TEXT;
ALTER TABLE agreed_rate ADD COLUMN abroad INTEGER CHECK (abroad IN (0, 1));
ALTER TABLE agreed_rate ADD COLUMN from_volume INTEGER NOT NULL DEFAULT 0 CHECK (from_volume >= 0);

-- Files for another ledger: how they are laid out, and which entries went out
-- in which; an entry goes out once, or is marked as sent again.
CREATE TABLE journal_layout (
  name TEXT PRIMARY KEY,
  spec TEXT NOT NULL
) STRICT;

CREATE TABLE journal_file (
  id INTEGER PRIMARY KEY,
  layout TEXT NOT NULL,
  spec TEXT NOT NULL,
  from_day TEXT NOT NULL,
  to_day TEXT NOT NULL,
  entries INTEGER NOT NULL,
  state TEXT NOT NULL DEFAULT 'made' CHECK (state IN ('made', 'undone')),
  act_id INTEGER NOT NULL REFERENCES act (id)
) STRICT;

CREATE TABLE journal_file_entry (
  file_id INTEGER NOT NULL REFERENCES journal_file (id),
  entry_id INTEGER NOT NULL REFERENCES entry (id),
  again INTEGER NOT NULL CHECK (again IN (0, 1)),
  PRIMARY KEY (file_id, entry_id)
) STRICT, WITHOUT ROWID;
CREATE INDEX journal_file_entry_entry ON journal_file_entry (entry_id);

-- ACH debits that were started and have not settled: on their way, seen
-- everywhere, no money yet.
CREATE TABLE ach_started (
  id INTEGER PRIMARY KEY,
  processor_account_id INTEGER NOT NULL REFERENCES processor_account (id),
  external_id TEXT NOT NULL,
  started_on TEXT NOT NULL,
  currency TEXT NOT NULL,
  amount INTEGER NOT NULL CHECK (amount > 0),
  payer_name TEXT NOT NULL,
  payer_email TEXT NOT NULL,
  reference TEXT NOT NULL,
  customer_id INTEGER REFERENCES customer (id),
  state TEXT NOT NULL DEFAULT 'on_way' CHECK (state IN ('on_way', 'settled', 'returned')),
  file_id INTEGER REFERENCES import_file (id),
  line_no INTEGER,
  UNIQUE (processor_account_id, external_id)
) STRICT;
CREATE INDEX ach_started_way ON ach_started (started_on) WHERE state = 'on_way';
