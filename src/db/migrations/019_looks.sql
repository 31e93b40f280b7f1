-- Pictures on papers, by their hash; kept as text, so that they are in the trail and in every copy.
CREATE TABLE logo (
  sha256 TEXT PRIMARY KEY,
  type TEXT NOT NULL CHECK (type IN ('image/png', 'image/jpeg')),
  base64 TEXT NOT NULL
) STRICT, WITHOUT ROWID;

-- Which look a customer's papers have; NULL: the book's first.
ALTER TABLE customer_card ADD COLUMN look TEXT;
