-- A link by which a customer pays and agrees that what comes is taken by itself, in one.
ALTER TABLE pay_link ADD COLUMN asks_consent INTEGER NOT NULL DEFAULT 0 CHECK (asks_consent IN (0, 1));
