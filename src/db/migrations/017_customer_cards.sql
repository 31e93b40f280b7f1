-- What a customer's page says beside its name: kept apart, as files of customers do not have it.
CREATE TABLE customer_card (
  customer_id INTEGER PRIMARY KEY REFERENCES customer (id),
  address TEXT NOT NULL DEFAULT '',
  country TEXT,
  tax_number TEXT,
  terms TEXT,
  currency TEXT,
  -- How its invoices are to come.
  way TEXT NOT NULL DEFAULT 'mail' CHECK (way IN ('mail', 'paper', 'none')),
  -- Which ways to pay it is offered, as the pay page names them; NULL: as the book says.
  pays_by TEXT,
  notes TEXT NOT NULL DEFAULT ''
) STRICT;

-- What a customer was before it was changed, so that the change can be taken back.
CREATE TABLE customer_edit (
  act_id INTEGER PRIMARY KEY REFERENCES act (id),
  customer_id INTEGER NOT NULL REFERENCES customer (id),
  before TEXT NOT NULL
) STRICT;

-- Two that were one: which rows went over, so that they can go back.
ALTER TABLE customer ADD COLUMN merged_into INTEGER REFERENCES customer (id);
CREATE INDEX customer_merged ON customer (merged_into) WHERE merged_into IS NOT NULL;
CREATE TABLE customer_merge (
  id INTEGER PRIMARY KEY,
  kept_id INTEGER NOT NULL REFERENCES customer (id),
  gone_id INTEGER NOT NULL REFERENCES customer (id),
  act_id INTEGER NOT NULL UNIQUE REFERENCES act (id),
  ended_by INTEGER REFERENCES act (id)
) STRICT;
CREATE TABLE customer_merge_row (
  merge_id INTEGER NOT NULL REFERENCES customer_merge (id),
  place TEXT NOT NULL,
  field TEXT NOT NULL,
  row_id INTEGER NOT NULL,
  PRIMARY KEY (merge_id, place, field, row_id)
) STRICT, WITHOUT ROWID;

-- Whose an approved document is may change by a merge; what its paper says may not.
DROP TRIGGER document_kept;
CREATE TRIGGER document_kept BEFORE UPDATE OF id, kind, stage, issued_on, due_on, due_reason, terms,
    currency, po_number, note, tax_included, tax_rounded, discount_percent, discount_sum,
    withholding_percent, order_ref, order_hash, credits_id, net, tax, total, number, open_item_id,
    frozen, frozen_hash, written_by, version, approved_by, approved_on
  ON document WHEN OLD.stage = 'approved'
  BEGIN SELECT RAISE(ABORT, 'an approved document does not change'); END;

-- Papers that belong to a customer, or to a document and go with it; the bytes are kept by their hash.
CREATE TABLE attachment (
  id INTEGER PRIMARY KEY,
  customer_id INTEGER NOT NULL REFERENCES customer (id),
  document_id INTEGER REFERENCES document (id),
  name TEXT NOT NULL,
  type TEXT NOT NULL CHECK (type IN ('application/pdf', 'image/png', 'image/jpeg')),
  sha256 TEXT NOT NULL,
  size INTEGER NOT NULL CHECK (size > 0),
  added_on TEXT NOT NULL,
  act_id INTEGER NOT NULL REFERENCES act (id),
  ended_by INTEGER REFERENCES act (id)
) STRICT;
CREATE INDEX attachment_customer ON attachment (customer_id) WHERE ended_by IS NULL;
CREATE INDEX attachment_document ON attachment (document_id) WHERE document_id IS NOT NULL;

-- How each approved document is to reach its customer, and when it did.
CREATE TABLE document_way (
  document_id INTEGER PRIMARY KEY REFERENCES document (id),
  way TEXT NOT NULL CHECK (way IN ('mail', 'paper', 'none')),
  done_on TEXT,
  letter_id INTEGER REFERENCES letter (id)
) STRICT;
CREATE INDEX document_way_open ON document_way (way, document_id) WHERE done_on IS NULL AND way <> 'none';
INSERT INTO document_way (document_id, way) SELECT id, 'mail' FROM document WHERE stage = 'approved';
