-- Whether a bank account is proven to be its payer's, and when the two small sums are there that prove it.
ALTER TABLE pay_method ADD COLUMN proven INTEGER NOT NULL DEFAULT 0 CHECK (proven IN (0, 1));
ALTER TABLE pay_method ADD COLUMN sums_there_on TEXT;
