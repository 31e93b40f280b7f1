-- What is billed again and again: its words, its latest price, and the account that its income goes to.
CREATE TABLE item (
  code TEXT PRIMARY KEY,
  description TEXT NOT NULL,
  rate TEXT NOT NULL,
  tax_code TEXT REFERENCES tax_code (code),
  -- The income account by its key; NULL: the one of all income.
  income_of TEXT
) STRICT;
