-- The fee of a letter is in the currency of the invoice that it will stand on; NULL: the book's.
ALTER TABLE letter ADD COLUMN fee_currency TEXT;
