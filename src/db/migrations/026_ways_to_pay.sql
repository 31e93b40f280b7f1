-- By which ways an invoice may be paid, where it says so itself.
ALTER TABLE document ADD COLUMN pays_by TEXT CHECK (pays_by IN ('card', 'bank', 'card,bank'));
