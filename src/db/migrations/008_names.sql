-- Lists go by name, whatever its capitals.
CREATE INDEX customer_name ON customer (name COLLATE NOCASE, id);
