-- Contact persons of customers, addresses to which letters come back, copies
-- of letters, and the fee of a rung; indexes that proofs and lists read alone.

-- Who gets the letters of a customer, who a copy of them, and who is called.
CREATE TABLE contact_person (
  customer_id INTEGER NOT NULL REFERENCES customer (id),
  place INTEGER NOT NULL,
  name TEXT NOT NULL,
  duty TEXT NOT NULL,
  email TEXT NOT NULL,
  phone TEXT NOT NULL,
  letters TEXT NOT NULL CHECK (letters IN ('to', 'copy', 'none')),
  calls INTEGER NOT NULL CHECK (calls IN (0, 1)),
  PRIMARY KEY (customer_id, place),
  CHECK (letters = 'none' OR email <> ''),
  CHECK (name <> '' OR email <> '' OR phone <> '')
) STRICT, WITHOUT ROWID;
WITH RECURSIVE each (customer_id, place, email, rest) AS (
  SELECT customer_id, 0, '', contact_email || ', ' FROM customer_followup WHERE contact_email <> ''
  UNION ALL SELECT customer_id, place + 1, substr(rest, 1, instr(rest, ', ') - 1), substr(rest, instr(rest, ', ') + 2) FROM each WHERE rest <> ''
)
INSERT INTO contact_person (customer_id, place, name, duty, email, phone, letters, calls)
  SELECT e.customer_id, e.place, iif(e.place = 1, f.contact_name, ''), '', e.email, iif(e.place = 1, f.contact_phone, ''), 'to', e.place = 1 AND f.contact_phone <> '' FROM each e JOIN customer_followup f ON f.customer_id = e.customer_id WHERE e.email <> ''
  UNION ALL SELECT customer_id, 1, contact_name, '', '', contact_phone, 'none', contact_phone <> '' FROM customer_followup WHERE contact_email = '' AND (contact_name <> '' OR contact_phone <> '');
ALTER TABLE customer_followup DROP COLUMN contact_name;
ALTER TABLE customer_followup DROP COLUMN contact_email;
ALTER TABLE customer_followup DROP COLUMN contact_phone;

-- No letter goes to these until somebody says that they work.
CREATE TABLE address_back (
  address TEXT PRIMARY KEY COLLATE NOCASE,
  why TEXT NOT NULL CHECK (why <> ''),
  since TEXT NOT NULL
) STRICT, WITHOUT ROWID;
WITH RECURSIVE last (address, why, since) AS (
  SELECT to_address, came_back, on_day FROM letter l WHERE came_back IS NOT NULL AND id = (SELECT max(id) FROM letter m WHERE m.to_address = l.to_address)
), each (address, why, since, rest) AS (
  SELECT '', why, since, address || ', ' FROM last
  UNION ALL SELECT substr(rest, 1, instr(rest, ', ') - 1), why, since, substr(rest, instr(rest, ', ') + 2) FROM each WHERE rest <> ''
)
INSERT OR IGNORE INTO address_back (address, why, since) SELECT address, why, since FROM each WHERE address <> '';
DROP INDEX letter_came_back;

ALTER TABLE letter ADD COLUMN copy_address TEXT NOT NULL DEFAULT '';
-- Who has it already, while it is tried again for others; between commas.
ALTER TABLE letter ADD COLUMN reached TEXT NOT NULL DEFAULT '';
CREATE INDEX letter_message ON letter (message_id);

-- What is charged with the letter of a rung, in the book's currency; kept with each letter as it was when it went.
ALTER TABLE ladder_step ADD COLUMN fee INTEGER NOT NULL DEFAULT 0 CHECK (fee >= 0);
ALTER TABLE letter ADD COLUMN fee INTEGER NOT NULL DEFAULT 0 CHECK (fee >= 0);
-- A fee for a letter names it; one for the time that passed names none. What was waived is not asked for again.
ALTER TABLE late_fee ADD COLUMN letter_id INTEGER REFERENCES letter (id);
ALTER TABLE late_fee ADD COLUMN waived INTEGER NOT NULL DEFAULT 0 CHECK (waived IN (0, 1));

-- Lists go by name, whatever its capitals.
CREATE INDEX customer_name ON customer (name COLLATE NOCASE, id);

-- What the journal says of each document is read from this index alone.
DROP INDEX entry_line_item;
CREATE INDEX entry_line_item ON entry_line (item_kind, item_id, account_id, amount, book_amount) WHERE item_id IS NOT NULL;
