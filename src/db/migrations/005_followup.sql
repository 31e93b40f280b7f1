-- Ladders of one's own, how each customer is followed up, and what a letter takes with it.

CREATE TABLE ladder (
  id INTEGER PRIMARY KEY,
  name TEXT NOT NULL UNIQUE,
  -- The one that customers without a ladder of their own are on.
  standard INTEGER NOT NULL DEFAULT 0 CHECK (standard IN (0, 1)),
  -- What is charged for paying late; percent of the open balance (decimal text).
  fee_kind TEXT NOT NULL DEFAULT 'none' CHECK (fee_kind IN ('none', 'fixed', 'monthly', 'yearly')),
  fee_fixed INTEGER NOT NULL DEFAULT 0 CHECK (fee_fixed >= 0),
  fee_percent TEXT NOT NULL DEFAULT '0',
  fee_grace INTEGER NOT NULL DEFAULT 0 CHECK (fee_grace BETWEEN 0 AND 365),
  fee_least INTEGER NOT NULL DEFAULT 0 CHECK (fee_least >= 0),
  fee_most INTEGER CHECK (fee_most >= 0)
) STRICT;

-- Late fees that were charged: on which invoice, for the time up to which day.
CREATE TABLE late_fee (
  id INTEGER PRIMARY KEY,
  open_item_id INTEGER NOT NULL REFERENCES open_item (id),
  fee_item_id INTEGER NOT NULL REFERENCES open_item (id),
  through TEXT NOT NULL,
  sum INTEGER NOT NULL CHECK (sum > 0),
  act_id INTEGER NOT NULL REFERENCES act (id)
) STRICT;
CREATE INDEX late_fee_item ON late_fee (open_item_id);
CREATE UNIQUE INDEX ladder_standard ON ladder (standard) WHERE standard = 1;

-- from_days counts from the due day; before it, it is negative.
CREATE TABLE ladder_step (
  ladder_id INTEGER NOT NULL REFERENCES ladder (id),
  step INTEGER NOT NULL CHECK (step >= 1),
  from_days INTEGER NOT NULL CHECK (from_days BETWEEN -60 AND 365),
  act TEXT NOT NULL CHECK (act IN ('letter', 'call', 'task', 'stop')),
  tone INTEGER NOT NULL DEFAULT 1 CHECK (tone BETWEEN 1 AND 4),
  by_itself INTEGER NOT NULL DEFAULT 0 CHECK (by_itself IN (0, 1)),
  attach TEXT NOT NULL DEFAULT 'none' CHECK (attach IN ('none', 'statement', 'invoices')),
  PRIMARY KEY (ladder_id, step)
) STRICT, WITHOUT ROWID;

INSERT INTO ladder (id, name, standard) VALUES (1, 'Standard', 1);
INSERT INTO ladder_step (ladder_id, step, from_days, act, tone, attach) VALUES (1, 1, 1, 'letter', 1, 'none'), (1, 2, 15, 'letter', 2, 'statement'), (1, 3, 30, 'letter', 3, 'statement'), (1, 4, 45, 'call', 1, 'none');

-- What differs for a customer (and its group) from what the book does.
CREATE TABLE customer_followup (
  customer_id INTEGER PRIMARY KEY REFERENCES customer (id),
  ladder_id INTEGER REFERENCES ladder (id),
  language TEXT NOT NULL DEFAULT 'en' CHECK (language IN ('en', 'es', 'fr', 'de')),
  by_itself INTEGER NOT NULL DEFAULT 0 CHECK (by_itself IN (0, 1)),
  smallest INTEGER CHECK (smallest >= 0),
  quiet_until TEXT,
  contact_name TEXT NOT NULL DEFAULT '',
  contact_email TEXT NOT NULL DEFAULT '',
  contact_phone TEXT NOT NULL DEFAULT ''
) STRICT;

-- Invoices that no letter names, with the reason.
CREATE TABLE item_left_out (
  open_item_id INTEGER PRIMARY KEY REFERENCES open_item (id),
  reason TEXT NOT NULL CHECK (reason <> '')
) STRICT;

ALTER TABLE letter ADD COLUMN attach TEXT NOT NULL DEFAULT 'none' CHECK (attach IN ('none', 'statement', 'invoices'));
-- The rung of the ladder that a call or a task was.
ALTER TABLE contact ADD COLUMN step INTEGER;
