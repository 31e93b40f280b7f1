-- Invoices are looked for by their sum.
CREATE INDEX open_item_total ON open_item (total);
