-- Money that is sent back by the processor, the way it came.
CREATE TABLE refund (
  id INTEGER PRIMARY KEY,
  -- The processor sends back each key once, whoever asks again.
  key TEXT NOT NULL UNIQUE,
  receipt_id INTEGER NOT NULL REFERENCES receipt (id),
  processor_account_id INTEGER NOT NULL REFERENCES processor_account (id),
  charge_id TEXT NOT NULL,
  currency TEXT NOT NULL,
  amount INTEGER NOT NULL CHECK (amount > 0),
  -- The credit note that it pays out; empty where credit on account goes back.
  credit_note_id INTEGER REFERENCES open_item (id),
  why TEXT NOT NULL,
  asked_by TEXT NOT NULL,
  asked_on TEXT NOT NULL,
  -- waiting: for a second person; asked: of the processor; then what became of it.
  state TEXT NOT NULL CHECK (state IN ('waiting', 'asked', 'sent', 'refused', 'given_back')),
  code TEXT,
  decided_by TEXT
) STRICT;
CREATE INDEX refund_receipt ON refund (receipt_id);
CREATE INDEX refund_open ON refund (state) WHERE state IN ('waiting', 'asked');
