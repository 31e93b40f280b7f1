-- A file that is a book says so ("Dozo" as a number), and each book has an id of its own.
PRAGMA application_id = 1148156527;

CREATE TABLE identity (
  id TEXT NOT NULL CHECK (length(id) = 32)
) STRICT;
INSERT INTO identity (id) VALUES (lower(hex(randomblob(16))));
