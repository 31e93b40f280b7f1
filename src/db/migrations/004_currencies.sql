-- Other currencies than the book's: rates, what documents in them are carried
-- at, payouts that reach the bank in the book's currency, and revaluations.

-- What one unit of a currency is worth in the book's, by day (decimal text).
CREATE TABLE exchange_rate (
  currency TEXT NOT NULL,
  on_day TEXT NOT NULL,
  rate TEXT NOT NULL,
  act_id INTEGER NOT NULL REFERENCES act (id),
  PRIMARY KEY (currency, on_day)
) STRICT, WITHOUT ROWID;

-- What each document in another currency stands at, in its own and in the
-- book's: the sum of its lines, kept beside them, and proven against them.
CREATE TABLE carried (
  account_id INTEGER NOT NULL REFERENCES account (id),
  item_kind TEXT NOT NULL,
  item_id INTEGER NOT NULL,
  currency TEXT NOT NULL,
  amount INTEGER NOT NULL,
  book INTEGER NOT NULL,
  PRIMARY KEY (account_id, item_kind, item_id, currency)
) STRICT, WITHOUT ROWID;
CREATE INDEX carried_item ON carried (item_kind, item_id);
CREATE TRIGGER posting_carried AFTER INSERT ON posting
  WHEN EXISTS (SELECT 1 FROM entry_line WHERE entry_id = NEW.entry_id AND currency <> (SELECT json_extract(value, '$') FROM setting WHERE key = 'currency'))
BEGIN
  INSERT INTO carried (account_id, item_kind, item_id, currency, amount, book)
    SELECT account_id, item_kind, item_id, currency, amount, book_amount FROM entry_line
    WHERE entry_id = NEW.entry_id AND item_id IS NOT NULL AND currency <> (SELECT json_extract(value, '$') FROM setting WHERE key = 'currency')
    ON CONFLICT (account_id, item_kind, item_id, currency) DO UPDATE SET amount = carried.amount + excluded.amount, book = carried.book + excluded.book;
END;

-- What came at the bank for a payout in another currency; null where both are one.
ALTER TABLE payout_tie ADD COLUMN at_bank INTEGER;

CREATE TABLE revaluation (
  id INTEGER PRIMARY KEY,
  as_of TEXT NOT NULL,
  currency TEXT NOT NULL,
  rate TEXT NOT NULL,
  sum INTEGER NOT NULL,
  state TEXT NOT NULL DEFAULT 'made' CHECK (state IN ('made', 'undone')),
  act_id INTEGER NOT NULL REFERENCES act (id)
) STRICT;
CREATE UNIQUE INDEX revaluation_made ON revaluation (as_of, currency) WHERE state = 'made';
