-- A book: one business and its data. Money is a whole number of minor units
-- (INTEGER), days are YYYY-MM-DD, moments are UTC text, rates decimal text.

CREATE TABLE setting (
  key TEXT PRIMARY KEY,
  value TEXT NOT NULL
) STRICT;

-- Every command that was carried out: the audit trail, and the memory that
-- makes a command that comes twice happen once.
CREATE TABLE command (
  id INTEGER PRIMARY KEY,
  key TEXT NOT NULL UNIQUE,
  name TEXT NOT NULL,
  actor TEXT NOT NULL,
  at TEXT NOT NULL,
  result TEXT NOT NULL
) STRICT;

-- What a person or an import did to one document. Undo works on acts.
CREATE TABLE act (
  id INTEGER PRIMARY KEY,
  command_id INTEGER NOT NULL REFERENCES command (id) DEFERRABLE INITIALLY DEFERRED,
  kind TEXT NOT NULL,
  subject_kind TEXT NOT NULL,
  subject_id INTEGER NOT NULL,
  customer_id INTEGER REFERENCES customer (id),
  text TEXT NOT NULL,
  on_day TEXT NOT NULL,
  at TEXT NOT NULL,
  actor TEXT NOT NULL,
  undone_by INTEGER REFERENCES act (id)
) STRICT;
CREATE INDEX act_subject ON act (subject_kind, subject_id);
CREATE INDEX act_customer ON act (customer_id) WHERE customer_id IS NOT NULL;
CREATE INDEX act_command ON act (command_id);

CREATE TABLE import_file (
  id INTEGER PRIMARY KEY,
  sha256 TEXT NOT NULL,
  name TEXT NOT NULL,
  size INTEGER NOT NULL,
  kind TEXT NOT NULL CHECK (kind IN ('customers', 'invoices', 'processor', 'bank')),
  mapping TEXT NOT NULL,
  imported_at TEXT NOT NULL,
  on_day TEXT NOT NULL,
  actor TEXT NOT NULL,
  rows_new INTEGER NOT NULL,
  rows_known INTEGER NOT NULL,
  rows_changed INTEGER NOT NULL,
  rows_refused INTEGER NOT NULL
) STRICT;

CREATE TABLE mapping (
  name TEXT PRIMARY KEY,
  kind TEXT NOT NULL,
  spec TEXT NOT NULL
) STRICT;

CREATE TABLE customer (
  id INTEGER PRIMARY KEY,
  external_id TEXT NOT NULL UNIQUE,
  name TEXT NOT NULL,
  email TEXT,
  phone TEXT,
  parent_id INTEGER REFERENCES customer (id),
  left_out TEXT,
  file_id INTEGER REFERENCES import_file (id),
  line_no INTEGER
) STRICT;
CREATE INDEX customer_parent ON customer (parent_id) WHERE parent_id IS NOT NULL;

CREATE TABLE account (
  id INTEGER PRIMARY KEY,
  code TEXT NOT NULL UNIQUE,
  name TEXT NOT NULL,
  role TEXT NOT NULL,
  of TEXT,
  balance INTEGER NOT NULL DEFAULT 0
) STRICT;
CREATE UNIQUE INDEX account_role ON account (role, coalesce(of, ''));

-- The journal. An entry takes effect by its row in posting, and only if it foots.
CREATE TABLE entry (
  id INTEGER PRIMARY KEY,
  event TEXT NOT NULL,
  posted_on TEXT NOT NULL,
  document_kind TEXT NOT NULL,
  document_id INTEGER NOT NULL,
  document TEXT NOT NULL,
  customer_id INTEGER REFERENCES customer (id),
  act_id INTEGER NOT NULL REFERENCES act (id),
  reverses INTEGER UNIQUE REFERENCES entry (id)
) STRICT;
CREATE INDEX entry_day ON entry (posted_on, id);
CREATE INDEX entry_document ON entry (document_kind, document_id);
CREATE INDEX entry_act ON entry (act_id);

CREATE TABLE entry_line (
  entry_id INTEGER NOT NULL REFERENCES entry (id),
  line_no INTEGER NOT NULL,
  account_id INTEGER NOT NULL REFERENCES account (id),
  currency TEXT NOT NULL,
  amount INTEGER NOT NULL,
  book_amount INTEGER NOT NULL,
  item_kind TEXT,
  item_id INTEGER,
  PRIMARY KEY (entry_id, line_no)
) STRICT, WITHOUT ROWID;
CREATE INDEX entry_line_account ON entry_line (account_id, entry_id, book_amount);
CREATE INDEX entry_line_item ON entry_line (item_kind, item_id, account_id, book_amount) WHERE item_id IS NOT NULL;

CREATE TABLE posting (entry_id INTEGER PRIMARY KEY REFERENCES entry (id)) STRICT;

CREATE TRIGGER entry_kept_update BEFORE UPDATE ON entry BEGIN SELECT RAISE(ABORT, 'the journal is append only'); END;
CREATE TRIGGER entry_kept_delete BEFORE DELETE ON entry BEGIN SELECT RAISE(ABORT, 'the journal is append only'); END;
CREATE TRIGGER entry_kept_insert BEFORE INSERT ON entry WHEN EXISTS (SELECT 1 FROM entry WHERE id = NEW.id)
  BEGIN SELECT RAISE(ABORT, 'the journal is append only'); END;
CREATE TRIGGER entry_line_kept_update BEFORE UPDATE ON entry_line BEGIN SELECT RAISE(ABORT, 'the journal is append only'); END;
CREATE TRIGGER entry_line_kept_delete BEFORE DELETE ON entry_line BEGIN SELECT RAISE(ABORT, 'the journal is append only'); END;
CREATE TRIGGER entry_line_kept_insert BEFORE INSERT ON entry_line WHEN EXISTS (SELECT 1 FROM posting WHERE entry_id = NEW.entry_id)
  BEGIN SELECT RAISE(ABORT, 'the entry is already posted'); END;
CREATE TRIGGER posting_kept_update BEFORE UPDATE ON posting BEGIN SELECT RAISE(ABORT, 'the journal is append only'); END;
CREATE TRIGGER posting_kept_delete BEFORE DELETE ON posting BEGIN SELECT RAISE(ABORT, 'the journal is append only'); END;
CREATE TRIGGER posting_kept_insert BEFORE INSERT ON posting WHEN EXISTS (SELECT 1 FROM posting WHERE entry_id = NEW.entry_id)
  BEGIN SELECT RAISE(ABORT, 'the journal is append only'); END;
CREATE TRIGGER posting_foots BEFORE INSERT ON posting
  WHEN (SELECT count(*) < 2 OR sum(book_amount) <> 0 FROM entry_line WHERE entry_id = NEW.entry_id)
  BEGIN SELECT RAISE(ABORT, 'the entry does not foot'); END;
CREATE TRIGGER posting_balances AFTER INSERT ON posting BEGIN
  UPDATE account SET balance = account.balance + line.sum
    FROM (SELECT account_id, sum(book_amount) AS sum FROM entry_line WHERE entry_id = NEW.entry_id GROUP BY account_id) AS line
    WHERE account.id = line.account_id;
END;

-- Open items: invoices, late fees (positive) and credit notes (negative).
-- opened is what the journal took into receivables; balance what is left of it.
CREATE TABLE open_item (
  id INTEGER PRIMARY KEY,
  kind TEXT NOT NULL CHECK (kind IN ('invoice', 'late_fee', 'credit_note')),
  number TEXT NOT NULL UNIQUE,
  customer_id INTEGER NOT NULL REFERENCES customer (id),
  issued_on TEXT NOT NULL,
  due_on TEXT NOT NULL,
  currency TEXT NOT NULL,
  total INTEGER NOT NULL,
  tax INTEGER NOT NULL DEFAULT 0,
  opened INTEGER NOT NULL,
  balance INTEGER NOT NULL,
  opened_on TEXT NOT NULL,
  po_number TEXT,
  terms TEXT,
  description TEXT,
  file_id INTEGER REFERENCES import_file (id),
  line_no INTEGER,
  CHECK ((kind = 'credit_note' AND balance <= 0 AND balance >= opened) OR (kind <> 'credit_note' AND balance >= 0 AND balance <= opened))
) STRICT;
CREATE INDEX open_item_customer ON open_item (customer_id, due_on);
CREATE INDEX open_item_open ON open_item (customer_id, due_on, balance) WHERE balance <> 0;
CREATE INDEX open_item_issued ON open_item (issued_on, id);

CREATE TABLE processor_account (
  id INTEGER PRIMARY KEY,
  code TEXT NOT NULL UNIQUE,
  name TEXT NOT NULL,
  currency TEXT NOT NULL,
  delay_days INTEGER NOT NULL CHECK (delay_days BETWEEN 0 AND 30),
  descriptor TEXT
) STRICT;

CREATE TABLE bank_account (
  id INTEGER PRIMARY KEY,
  code TEXT NOT NULL UNIQUE,
  name TEXT NOT NULL,
  currency TEXT NOT NULL,
  last_four TEXT CHECK (last_four IS NULL OR length(last_four) = 4),
  opening_balance INTEGER NOT NULL DEFAULT 0
) STRICT;

CREATE TABLE payout (
  id INTEGER PRIMARY KEY,
  processor_account_id INTEGER NOT NULL REFERENCES processor_account (id),
  external_id TEXT NOT NULL,
  paid_on TEXT NOT NULL,
  currency TEXT NOT NULL,
  stated_net INTEGER,
  span_from TEXT,
  span_to TEXT,
  net INTEGER NOT NULL DEFAULT 0,
  state TEXT NOT NULL DEFAULT 'open' CHECK (state IN ('open', 'tied')),
  file_id INTEGER REFERENCES import_file (id),
  line_no INTEGER,
  UNIQUE (processor_account_id, external_id)
) STRICT;
CREATE INDEX payout_open ON payout (processor_account_id, paid_on) WHERE state = 'open';
CREATE INDEX payout_day ON payout (paid_on);

-- What the processor reports, each at its effect on the clearing account.
CREATE TABLE processor_item (
  id INTEGER PRIMARY KEY,
  processor_account_id INTEGER NOT NULL REFERENCES processor_account (id),
  external_id TEXT NOT NULL,
  kind TEXT NOT NULL CHECK (kind IN ('charge', 'fee', 'refund', 'dispute', 'dispute_fee', 'ach_return', 'return_fee', 'reserve', 'adjustment', 'opening')),
  occurred_on TEXT NOT NULL,
  settled_on TEXT NOT NULL,
  currency TEXT NOT NULL,
  amount INTEGER NOT NULL,
  payout_id INTEGER REFERENCES payout (id),
  receipt_id INTEGER REFERENCES receipt (id),
  related_id TEXT,
  origin TEXT NOT NULL DEFAULT 'file' CHECK (origin IN ('file', 'explained')),
  reason TEXT,
  withdrawn INTEGER NOT NULL DEFAULT 0 CHECK (withdrawn IN (0, 1)),
  settled_state TEXT CHECK (settled_state IN ('opened', 'won', 'lost')),
  file_id INTEGER REFERENCES import_file (id),
  line_no INTEGER,
  UNIQUE (processor_account_id, kind, external_id)
) STRICT;
CREATE INDEX processor_item_payout ON processor_item (payout_id, kind, amount);
CREATE INDEX processor_item_loose ON processor_item (processor_account_id, settled_on) WHERE payout_id IS NULL;
CREATE INDEX processor_item_receipt ON processor_item (receipt_id) WHERE receipt_id IS NOT NULL;
CREATE INDEX processor_item_settled ON processor_item (settled_on, kind, amount);

-- Money that came in. Its five parts always sum to its amount.
CREATE TABLE receipt (
  id INTEGER PRIMARY KEY,
  source TEXT NOT NULL CHECK (source IN ('processor', 'bank')),
  method TEXT NOT NULL CHECK (method IN ('card', 'ach_debit', 'ach_credit', 'wire', 'check', 'other')),
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
  CHECK (unidentified + on_account + applied + parked + gone_back = amount)
) STRICT;
CREATE INDEX receipt_to_match ON receipt (paid_on, id) WHERE state = 'to_match';
CREATE INDEX receipt_customer ON receipt (customer_id, paid_on) WHERE customer_id IS NOT NULL;
CREATE INDEX receipt_day ON receipt (paid_on, id);

CREATE TABLE application (
  id INTEGER PRIMARY KEY,
  receipt_id INTEGER NOT NULL REFERENCES receipt (id),
  open_item_id INTEGER NOT NULL REFERENCES open_item (id),
  amount INTEGER NOT NULL,
  discount INTEGER NOT NULL DEFAULT 0,
  small_difference INTEGER NOT NULL DEFAULT 0,
  on_day TEXT NOT NULL,
  act_id INTEGER NOT NULL REFERENCES act (id),
  ended_by INTEGER REFERENCES act (id)
) STRICT;
CREATE INDEX application_receipt ON application (receipt_id);
CREATE INDEX application_item ON application (open_item_id) WHERE ended_by IS NULL;

CREATE TABLE bank_rule (
  id INTEGER PRIMARY KEY,
  bank_account_id INTEGER NOT NULL REFERENCES bank_account (id),
  contains TEXT NOT NULL,
  sign TEXT NOT NULL CHECK (sign IN ('in', 'out', 'both')),
  treat_as TEXT NOT NULL CHECK (treat_as IN ('elsewhere', 'receipt', 'payout')),
  account_id INTEGER REFERENCES account (id),
  UNIQUE (bank_account_id, contains, sign)
) STRICT;

CREATE TABLE bank_line (
  id INTEGER PRIMARY KEY,
  bank_account_id INTEGER NOT NULL REFERENCES bank_account (id),
  external_id TEXT NOT NULL,
  posted_on TEXT NOT NULL,
  currency TEXT NOT NULL,
  amount INTEGER NOT NULL,
  description TEXT NOT NULL,
  state TEXT NOT NULL CHECK (state IN ('open', 'payout', 'receipt', 'elsewhere')),
  receipt_id INTEGER REFERENCES receipt (id),
  rule_id INTEGER REFERENCES bank_rule (id),
  balance_after INTEGER,
  file_id INTEGER REFERENCES import_file (id),
  line_no INTEGER,
  UNIQUE (bank_account_id, external_id)
) STRICT;
CREATE INDEX bank_line_day ON bank_line (bank_account_id, posted_on, id);
CREATE INDEX bank_line_open ON bank_line (posted_on) WHERE state = 'open';

CREATE TABLE payout_tie (
  id INTEGER PRIMARY KEY,
  payout_id INTEGER NOT NULL REFERENCES payout (id),
  bank_line_id INTEGER NOT NULL REFERENCES bank_line (id),
  amount INTEGER NOT NULL,
  on_day TEXT NOT NULL,
  act_id INTEGER NOT NULL REFERENCES act (id),
  ended_by INTEGER REFERENCES act (id)
) STRICT;
CREATE INDEX payout_tie_payout ON payout_tie (payout_id) WHERE ended_by IS NULL;
CREATE UNIQUE INDEX payout_tie_line ON payout_tie (bank_line_id) WHERE ended_by IS NULL;

-- What was said: letters with their full text, calls, notes, promises.
CREATE TABLE letter (
  id INTEGER PRIMARY KEY,
  customer_id INTEGER NOT NULL REFERENCES customer (id),
  step INTEGER NOT NULL,
  on_day TEXT NOT NULL,
  to_address TEXT NOT NULL,
  subject TEXT NOT NULL,
  body TEXT NOT NULL,
  currency TEXT NOT NULL,
  sum INTEGER NOT NULL,
  message_id TEXT NOT NULL,
  file_name TEXT NOT NULL,
  delivery TEXT NOT NULL DEFAULT 'queued',
  act_id INTEGER NOT NULL REFERENCES act (id)
) STRICT;
CREATE INDEX letter_customer ON letter (customer_id, on_day);

CREATE TABLE letter_item (
  letter_id INTEGER NOT NULL REFERENCES letter (id),
  open_item_id INTEGER NOT NULL REFERENCES open_item (id),
  balance INTEGER NOT NULL,
  PRIMARY KEY (letter_id, open_item_id)
) STRICT, WITHOUT ROWID;

CREATE TABLE contact (
  id INTEGER PRIMARY KEY,
  customer_id INTEGER NOT NULL REFERENCES customer (id),
  kind TEXT NOT NULL CHECK (kind IN ('call', 'note', 'promise')),
  on_day TEXT NOT NULL,
  text TEXT NOT NULL,
  promised_on TEXT,
  promised_sum INTEGER,
  act_id INTEGER NOT NULL REFERENCES act (id)
) STRICT;
CREATE INDEX contact_customer ON contact (customer_id, on_day);
