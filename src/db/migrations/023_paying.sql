-- Payments that customers make here, by card or from a bank account; numbers stay with the processor.
CREATE TABLE pay_link (
  id INTEGER PRIMARY KEY,
  -- The secret part of the address is kept as its SHA-256 only.
  hash TEXT NOT NULL UNIQUE,
  customer_id INTEGER NOT NULL REFERENCES customer (id),
  made_on TEXT NOT NULL,
  ended_on TEXT,
  act_id INTEGER NOT NULL REFERENCES act (id)
) STRICT;
-- What a link is for; none: all that the customer owes.
CREATE TABLE pay_link_item (
  link_id INTEGER NOT NULL REFERENCES pay_link (id),
  open_item_id INTEGER NOT NULL REFERENCES open_item (id),
  PRIMARY KEY (link_id, open_item_id)
) STRICT, WITHOUT ROWID;

CREATE TABLE pay_method (
  id INTEGER PRIMARY KEY,
  customer_id INTEGER NOT NULL REFERENCES customer (id),
  token TEXT NOT NULL UNIQUE,
  way TEXT NOT NULL CHECK (way IN ('card', 'bank')),
  name TEXT NOT NULL,
  last_four TEXT NOT NULL CHECK (length(last_four) = 4),
  expires TEXT,
  kept_on TEXT NOT NULL,
  -- It is on file until it is removed; one that was used once and not kept is removed at once.
  removed_on TEXT
) STRICT;
CREATE INDEX pay_method_customer ON pay_method (customer_id) WHERE removed_on IS NULL;

-- That what is due may be taken by itself: the words that were agreed to, when, and from where.
CREATE TABLE consent (
  id INTEGER PRIMARY KEY,
  customer_id INTEGER NOT NULL REFERENCES customer (id),
  method_id INTEGER NOT NULL REFERENCES pay_method (id),
  words TEXT NOT NULL,
  on_day TEXT NOT NULL,
  at TEXT NOT NULL,
  address TEXT NOT NULL,
  agent TEXT NOT NULL
) STRICT;
CREATE INDEX consent_customer ON consent (customer_id);
CREATE TABLE consent_end (
  consent_id INTEGER PRIMARY KEY REFERENCES consent (id),
  on_day TEXT NOT NULL,
  at TEXT NOT NULL,
  address TEXT NOT NULL,
  agent TEXT NOT NULL
) STRICT;
CREATE TRIGGER consent_kept BEFORE UPDATE OF method_id, words, on_day, at, address, agent ON consent
  BEGIN SELECT RAISE(ABORT, 'a consent does not change'); END;
CREATE TRIGGER consent_kept_delete BEFORE DELETE ON consent
  BEGIN SELECT RAISE(ABORT, 'a consent is not deleted'); END;
CREATE TRIGGER consent_end_kept BEFORE UPDATE ON consent_end
  BEGIN SELECT RAISE(ABORT, 'the end of a consent does not change'); END;
CREATE TRIGGER consent_end_kept_delete BEFORE DELETE ON consent_end
  BEGIN SELECT RAISE(ABORT, 'the end of a consent is not deleted'); END;

CREATE TABLE payment (
  id INTEGER PRIMARY KEY,
  -- The processor takes each key once, whoever asks again.
  key TEXT NOT NULL UNIQUE,
  customer_id INTEGER NOT NULL REFERENCES customer (id),
  method_id INTEGER NOT NULL REFERENCES pay_method (id),
  processor_account_id INTEGER NOT NULL REFERENCES processor_account (id),
  currency TEXT NOT NULL,
  amount INTEGER NOT NULL CHECK (amount > 0),
  by TEXT NOT NULL CHECK (by IN ('link', 'agreed', 'clerk')),
  consent_id INTEGER REFERENCES consent (id),
  asked_on TEXT NOT NULL,
  asked_at TEXT NOT NULL,
  state TEXT NOT NULL CHECK (state IN ('asked', 'paid', 'on_way', 'declined', 'returned')),
  charge_id TEXT,
  code TEXT,
  settles_on TEXT,
  receipt_id INTEGER REFERENCES receipt (id),
  UNIQUE (processor_account_id, charge_id)
) STRICT;
CREATE INDEX payment_customer ON payment (customer_id, asked_on);
CREATE INDEX payment_asked ON payment (id) WHERE state = 'asked';
CREATE TABLE payment_item (
  payment_id INTEGER NOT NULL REFERENCES payment (id),
  open_item_id INTEGER NOT NULL REFERENCES open_item (id),
  amount INTEGER NOT NULL CHECK (amount > 0),
  PRIMARY KEY (payment_id, open_item_id)
) STRICT, WITHOUT ROWID;
CREATE INDEX payment_item_item ON payment_item (open_item_id);

-- Who is taken out of the run of agreed payments of a day, and why.
CREATE TABLE agreed_skip (
  customer_id INTEGER NOT NULL REFERENCES customer (id),
  on_day TEXT NOT NULL,
  reason TEXT NOT NULL,
  act_id INTEGER NOT NULL REFERENCES act (id),
  PRIMARY KEY (customer_id, on_day)
) STRICT, WITHOUT ROWID;
