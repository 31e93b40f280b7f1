-- Advices that nobody numbers may be of one day and sum and yet of two payers.
CREATE TABLE remittance_anew (
  id INTEGER PRIMARY KEY,
  trace TEXT NOT NULL,
  paid_on TEXT NOT NULL,
  currency TEXT NOT NULL,
  sum INTEGER NOT NULL,
  payer_name TEXT NOT NULL,
  receipt_id INTEGER REFERENCES receipt (id),
  file_id INTEGER NOT NULL REFERENCES import_file (id)
) STRICT;
INSERT INTO remittance_anew SELECT id, trace, paid_on, currency, sum, payer_name, receipt_id, file_id
  FROM remittance;
DROP TABLE remittance;
ALTER TABLE remittance_anew RENAME TO remittance;
CREATE UNIQUE INDEX remittance_number ON remittance (trace, paid_on, sum) WHERE trace <> '';
CREATE INDEX remittance_receipt ON remittance (receipt_id) WHERE receipt_id IS NOT NULL;
CREATE INDEX remittance_loose ON remittance (sum) WHERE receipt_id IS NULL;
CREATE INDEX remittance_day ON remittance (paid_on, sum);
