-- Other names that customers go by.

CREATE TABLE customer_alias (
  customer_id INTEGER NOT NULL REFERENCES customer (id),
  alias TEXT NOT NULL CHECK (alias <> ''),
  PRIMARY KEY (customer_id, alias)
) STRICT, WITHOUT ROWID;
