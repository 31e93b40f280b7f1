-- A rule for bank lines may be of every account, and of sums within bounds (minor units, whichever way the money went).
CREATE TABLE bank_rule_new (
  id INTEGER PRIMARY KEY,
  bank_account_id INTEGER REFERENCES bank_account (id),
  contains TEXT NOT NULL,
  sign TEXT NOT NULL CHECK (sign IN ('in', 'out', 'both')),
  least INTEGER CHECK (least >= 0),
  most INTEGER CHECK (most >= 0),
  treat_as TEXT NOT NULL CHECK (treat_as IN ('elsewhere', 'receipt', 'payout')),
  account_id INTEGER REFERENCES account (id),
  CHECK (least IS NULL OR most IS NULL OR least <= most)
) STRICT;
INSERT INTO bank_rule_new (id, bank_account_id, contains, sign, treat_as, account_id)
  SELECT id, bank_account_id, contains, sign, treat_as, account_id FROM bank_rule;
DROP TABLE bank_rule;
ALTER TABLE bank_rule_new RENAME TO bank_rule;
