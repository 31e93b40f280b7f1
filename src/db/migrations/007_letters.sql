-- Account pages of customers and what was looked at there; the book's own
-- wordings; promises in parts; letters that are tried again or came back; who
-- was taken out of a run by schedule.

-- Who has the token sees the account and nothing else: 192 bits from the
-- system's own source of chance. A new one ends the old.
CREATE TABLE account_link (
  customer_id INTEGER PRIMARY KEY REFERENCES customer (id),
  token TEXT NOT NULL UNIQUE
) STRICT;
INSERT INTO account_link (customer_id, token) SELECT id, lower(hex(randomblob(24))) FROM customer;
CREATE TRIGGER customer_link AFTER INSERT ON customer BEGIN
  INSERT INTO account_link (customer_id, token) VALUES (NEW.id, lower(hex(randomblob(24))));
END;

-- One row a day and thing, however often it was looked at; open_item_id is 0 where it is no invoice.
CREATE TABLE account_visit (
  customer_id INTEGER NOT NULL REFERENCES customer (id),
  on_day TEXT NOT NULL,
  what TEXT NOT NULL CHECK (what IN ('opened', 'statement', 'invoice')),
  open_item_id INTEGER NOT NULL DEFAULT 0,
  at TEXT NOT NULL,
  PRIMARY KEY (customer_id, on_day, what, open_item_id)
) STRICT, WITHOUT ROWID;

-- The book's own words for a tone in a language; ladder_id 0 is for every ladder.
CREATE TABLE wording (
  ladder_id INTEGER NOT NULL,
  tone INTEGER NOT NULL CHECK (tone BETWEEN 1 AND 4),
  language TEXT NOT NULL CHECK (language IN ('en', 'es', 'fr', 'de')),
  subject TEXT NOT NULL CHECK (subject <> ''),
  body TEXT NOT NULL CHECK (body <> ''),
  PRIMARY KEY (ladder_id, tone, language)
) STRICT, WITHOUT ROWID;

-- The parts of a promise that has several; contact has the last day and the whole sum.
CREATE TABLE promise_part (
  contact_id INTEGER NOT NULL REFERENCES contact (id),
  due_on TEXT NOT NULL,
  sum INTEGER NOT NULL CHECK (sum > 0),
  PRIMARY KEY (contact_id, due_on)
) STRICT, WITHOUT ROWID;

-- How often the mail server was tried, when it is tried next, and why a letter came back.
ALTER TABLE letter ADD COLUMN tries INTEGER NOT NULL DEFAULT 0;
ALTER TABLE letter ADD COLUMN next_try TEXT;
ALTER TABLE letter ADD COLUMN came_back TEXT;
CREATE INDEX letter_waiting ON letter (delivery) WHERE delivery IN ('queued', 'retry');
CREATE INDEX letter_came_back ON letter (to_address) WHERE came_back IS NOT NULL;
CREATE INDEX letter_address ON letter (to_address);

-- Today's list and agings are summed up from this index alone.
DROP INDEX open_item_open;
CREATE INDEX open_item_open ON open_item (customer_id, due_on, balance, currency, kind, issued_on) WHERE balance <> 0;

-- Who does not get the letter that would go by itself on a day, and why.
CREATE TABLE run_skip (
  customer_id INTEGER NOT NULL REFERENCES customer (id),
  on_day TEXT NOT NULL,
  why TEXT NOT NULL CHECK (why <> ''),
  PRIMARY KEY (customer_id, on_day)
) STRICT, WITHOUT ROWID;
