-- What a card costs on top, and what an account saves, of a payment as it was said and taken.
ALTER TABLE payment ADD COLUMN surcharge INTEGER NOT NULL DEFAULT 0 CHECK (surcharge >= 0);
-- The amount of an item is what is settled of it, its saving included.
ALTER TABLE payment_item ADD COLUMN saving INTEGER NOT NULL DEFAULT 0 CHECK (saving >= 0);
-- Between which sums a link may be paid; null: as the book says. Both the same: the sum is fixed.
ALTER TABLE pay_link ADD COLUMN sum_from INTEGER CHECK (sum_from > 0);
ALTER TABLE pay_link ADD COLUMN sum_to INTEGER CHECK (sum_to >= sum_from);
