-- Invoices and credit notes that are written here: drafts, what is approved, and what they are made of.
-- Quantities, rates and percents are decimal text; sums are in the document's currency.
CREATE TABLE tax_code (
  code TEXT PRIMARY KEY,
  percent TEXT NOT NULL,
  category TEXT NOT NULL CHECK (category IN ('standard', 'zero', 'exempt', 'reverse', 'none')),
  note TEXT
) STRICT;

CREATE TABLE document (
  id INTEGER PRIMARY KEY,
  kind TEXT NOT NULL CHECK (kind IN ('invoice', 'credit_note')),
  stage TEXT NOT NULL CHECK (stage IN ('draft', 'waiting', 'approved', 'dropped')),
  customer_id INTEGER NOT NULL REFERENCES customer (id),
  issued_on TEXT NOT NULL,
  due_on TEXT NOT NULL,
  -- Why the due day is another than the terms give; NULL where it is theirs.
  due_reason TEXT,
  terms TEXT,
  currency TEXT NOT NULL,
  po_number TEXT,
  note TEXT,
  tax_included INTEGER NOT NULL DEFAULT 0 CHECK (tax_included IN (0, 1)),
  tax_rounded TEXT NOT NULL DEFAULT 'by_code' CHECK (tax_rounded IN ('by_code', 'by_line')),
  discount_percent TEXT,
  discount_sum INTEGER,
  withholding_percent TEXT,
  -- The document's name in the file of orders it came with, and what it said there.
  order_ref TEXT UNIQUE,
  order_hash TEXT,
  -- The invoice that a credit note corrects.
  credits_id INTEGER REFERENCES document (id),
  net INTEGER NOT NULL,
  tax INTEGER NOT NULL,
  total INTEGER NOT NULL CHECK (total >= 0 AND total = net + tax),
  -- Drawn at approval, together with the open item; what the paper says is kept as it was then.
  number TEXT UNIQUE,
  open_item_id INTEGER UNIQUE REFERENCES open_item (id),
  frozen TEXT,
  frozen_hash TEXT,
  written_by TEXT NOT NULL,
  -- How often it was written over: who writes says which one was seen.
  version INTEGER NOT NULL DEFAULT 0,
  approved_by TEXT,
  approved_on TEXT,
  CHECK ((stage = 'approved') = (number IS NOT NULL AND open_item_id IS NOT NULL AND frozen IS NOT NULL))
) STRICT;
CREATE INDEX document_stage ON document (stage, issued_on, id);
CREATE INDEX document_customer ON document (customer_id, issued_on);
CREATE INDEX document_credits ON document (credits_id) WHERE credits_id IS NOT NULL;

CREATE TABLE document_line (
  document_id INTEGER NOT NULL REFERENCES document (id),
  line_no INTEGER NOT NULL,
  item TEXT,
  description TEXT NOT NULL,
  quantity TEXT NOT NULL,
  rate TEXT NOT NULL,
  discount_percent TEXT,
  tax_code TEXT REFERENCES tax_code (code),
  amount INTEGER NOT NULL,
  net INTEGER NOT NULL,
  PRIMARY KEY (document_id, line_no)
) STRICT, WITHOUT ROWID;

CREATE TABLE document_charge (
  document_id INTEGER NOT NULL REFERENCES document (id),
  charge_no INTEGER NOT NULL,
  words TEXT NOT NULL,
  sum INTEGER NOT NULL CHECK (sum >= 0),
  tax_code TEXT REFERENCES tax_code (code),
  PRIMARY KEY (document_id, charge_no)
) STRICT, WITHOUT ROWID;

-- An approved document is what the customer has: it is corrected by a credit note and never changed.
CREATE TRIGGER document_kept BEFORE UPDATE ON document WHEN OLD.stage = 'approved'
  BEGIN SELECT RAISE(ABORT, 'an approved document does not change'); END;
CREATE TRIGGER document_kept_delete BEFORE DELETE ON document
  BEGIN SELECT RAISE(ABORT, 'a document is not deleted'); END;
CREATE TRIGGER document_line_kept BEFORE UPDATE ON document_line
  WHEN (SELECT stage FROM document WHERE id = OLD.document_id) = 'approved'
  BEGIN SELECT RAISE(ABORT, 'an approved document does not change'); END;
CREATE TRIGGER document_line_kept_insert BEFORE INSERT ON document_line
  WHEN (SELECT stage FROM document WHERE id = NEW.document_id) = 'approved'
  BEGIN SELECT RAISE(ABORT, 'an approved document does not change'); END;
CREATE TRIGGER document_line_kept_delete BEFORE DELETE ON document_line
  WHEN (SELECT stage FROM document WHERE id = OLD.document_id) = 'approved'
  BEGIN SELECT RAISE(ABORT, 'an approved document does not change'); END;

-- The last number drawn, by kind and year: without holes.
CREATE TABLE series (
  kind TEXT NOT NULL CHECK (kind IN ('invoice', 'credit_note')),
  year INTEGER NOT NULL,
  last INTEGER NOT NULL,
  PRIMARY KEY (kind, year)
) STRICT, WITHOUT ROWID;

-- Credit notes set off against invoices, without a receipt between them.
CREATE TABLE credit_use (
  id INTEGER PRIMARY KEY,
  credit_item_id INTEGER NOT NULL REFERENCES open_item (id),
  open_item_id INTEGER NOT NULL REFERENCES open_item (id),
  amount INTEGER NOT NULL CHECK (amount > 0),
  on_day TEXT NOT NULL,
  act_id INTEGER NOT NULL REFERENCES act (id),
  ended_by INTEGER REFERENCES act (id)
) STRICT;
CREATE INDEX credit_use_credit ON credit_use (credit_item_id) WHERE ended_by IS NULL;
CREATE INDEX credit_use_item ON credit_use (open_item_id) WHERE ended_by IS NULL;
