-- Parts of an order that are asked for beforehand, and income that belongs to later months.
ALTER TABLE document ADD COLUMN deposit_of INTEGER REFERENCES document (id);
ALTER TABLE document_line ADD COLUMN settles INTEGER REFERENCES document (id);
CREATE INDEX document_line_settles ON document_line (settles) WHERE settles IS NOT NULL;
ALTER TABLE item ADD COLUMN months INTEGER NOT NULL DEFAULT 1 CHECK (months BETWEEN 1 AND 120);

-- What of an invoice is earned over months; sums in its currency and in the book's, as it was posted.
CREATE TABLE deferral (
  id INTEGER PRIMARY KEY,
  open_item_id INTEGER NOT NULL REFERENCES open_item (id),
  income_of TEXT,
  currency TEXT NOT NULL,
  -- The last day of the first month that earns a part.
  first_on TEXT NOT NULL,
  months INTEGER NOT NULL CHECK (months > 1),
  sum INTEGER NOT NULL,
  book_sum INTEGER NOT NULL
) STRICT;
CREATE INDEX deferral_item ON deferral (open_item_id);

-- What went out of it: earned at the end of a month, or taken back by a credit note.
CREATE TABLE deferral_move (
  id INTEGER PRIMARY KEY,
  deferral_id INTEGER NOT NULL REFERENCES deferral (id),
  month_no INTEGER,
  sum INTEGER NOT NULL,
  book_sum INTEGER NOT NULL,
  act_id INTEGER NOT NULL REFERENCES act (id),
  UNIQUE (deferral_id, month_no)
) STRICT;
