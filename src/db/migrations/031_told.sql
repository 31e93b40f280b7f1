-- A letter that brings a receipt.
ALTER TABLE letter ADD COLUMN receipt_id INTEGER REFERENCES receipt (id);
-- Of which sums that are taken as agreed their customers were told, before they are.
CREATE TABLE sum_told (
  id INTEGER PRIMARY KEY,
  open_item_id INTEGER NOT NULL REFERENCES open_item (id),
  amount INTEGER NOT NULL CHECK (amount > 0),
  on_day TEXT NOT NULL,
  act_id INTEGER NOT NULL REFERENCES act (id)
) STRICT;
CREATE INDEX sum_told_item ON sum_told (open_item_id);
