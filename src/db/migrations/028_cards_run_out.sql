-- When the owner of a card that runs out was asked for another.
ALTER TABLE pay_method ADD COLUMN asked_anew_on TEXT;
