-- Debts given up and paid after all, and what the allowance for them moved by.

-- recovered: what came for a debt that had been given up.
CREATE TABLE receipt_new (
  id INTEGER PRIMARY KEY,
  source TEXT NOT NULL CHECK (source IN ('processor', 'bank', 'hand')),
  method TEXT NOT NULL,
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
  recovered INTEGER NOT NULL DEFAULT 0 CHECK (recovered >= 0),
  CHECK (unidentified + on_account + applied + parked + income + surcharge + recovered + gone_back = amount),
  CHECK ((source = 'hand') = (hand_state IS NOT NULL))
) STRICT;
INSERT INTO receipt_new (id, source, method, paid_on, settled_on, currency, amount, payer_name, payer_email, reference, customer_id, state, unidentified, on_account, applied, parked, gone_back, disputed, reason, file_id, line_no, number, hand_state, deposit_id, income, surcharge)
  SELECT id, source, method, paid_on, settled_on, currency, amount, payer_name, payer_email, reference, customer_id, state, unidentified, on_account, applied, parked, gone_back, disputed, reason, file_id, line_no, number, hand_state, deposit_id, income, surcharge FROM receipt;
DROP TABLE receipt;
ALTER TABLE receipt_new RENAME TO receipt;
CREATE INDEX receipt_to_match ON receipt (paid_on, id) WHERE state = 'to_match';
CREATE INDEX receipt_customer ON receipt (customer_id, paid_on) WHERE customer_id IS NOT NULL;
CREATE INDEX receipt_day ON receipt (paid_on, id);
CREATE INDEX receipt_hand ON receipt (hand_state, deposit_id) WHERE hand_state IS NOT NULL;

-- A debt given up without a payment: by one person within the limit, else by two.
-- tax: the part of it that lowers the tax owed.
CREATE TABLE write_off (
  id INTEGER PRIMARY KEY,
  open_item_id INTEGER NOT NULL REFERENCES open_item (id),
  sum INTEGER NOT NULL CHECK (sum > 0),
  tax INTEGER NOT NULL DEFAULT 0,
  kind TEXT NOT NULL CHECK (kind IN ('small', 'bad_debt')),
  why TEXT NOT NULL CHECK (why <> ''),
  asked_by TEXT NOT NULL,
  asked_on TEXT NOT NULL,
  state TEXT NOT NULL CHECK (state IN ('waiting', 'posted', 'refused', 'withdrawn', 'undone')),
  decided_by TEXT,
  decided_why TEXT,
  act_id INTEGER NOT NULL REFERENCES act (id),
  posted_act INTEGER REFERENCES act (id)
) STRICT;
CREATE INDEX write_off_item ON write_off (open_item_id);
CREATE UNIQUE INDEX write_off_waiting ON write_off (open_item_id) WHERE state = 'waiting';

-- What the allowance for doubtful debts moved by, more of it positive; one whose act was undone did not.
CREATE TABLE allowance_move (
  id INTEGER PRIMARY KEY,
  on_day TEXT NOT NULL,
  sum INTEGER NOT NULL,
  act_id INTEGER NOT NULL REFERENCES act (id)
) STRICT;
INSERT INTO allowance_move (on_day, sum, act_id)
  SELECT e.posted_on, -l.book_amount, e.act_id FROM entry e JOIN entry_line l ON l.entry_id = e.id JOIN account a ON a.id = l.account_id WHERE e.event = 'allowance' AND a.role = 'allowance';
