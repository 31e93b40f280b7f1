-- Advice may tell of several receipts: then each of its lines says of which.
ALTER TABLE remittance_line ADD COLUMN receipt_id INTEGER REFERENCES receipt (id);
CREATE INDEX remittance_line_receipt ON remittance_line (receipt_id) WHERE receipt_id IS NOT NULL;
