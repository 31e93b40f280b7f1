-- Entries that were written together, one number after the other, take effect by one row in posting,
-- from the first to the last: a file of 200,000 lines brings 400,000. Each of them must foot, as before.
CREATE TABLE posting_new (
  first_entry INTEGER PRIMARY KEY REFERENCES entry (id),
  last_entry INTEGER NOT NULL REFERENCES entry (id) CHECK (last_entry >= first_entry)
) STRICT;
INSERT INTO posting_new (first_entry, last_entry)
  SELECT min(entry_id), max(entry_id)
  FROM (SELECT entry_id, entry_id - row_number() OVER (ORDER BY entry_id) AS run FROM posting)
  GROUP BY run;
DROP TRIGGER entry_line_kept_insert;
DROP TABLE posting;
ALTER TABLE posting_new RENAME TO posting;

-- Runs do not overlap: whether an entry is in one is told by the last that begins at it or before it.
CREATE TRIGGER entry_line_kept_insert BEFORE INSERT ON entry_line
  WHEN (SELECT last_entry FROM posting WHERE first_entry <= NEW.entry_id ORDER BY first_entry DESC LIMIT 1) >= NEW.entry_id
  BEGIN SELECT RAISE(ABORT, 'the entry is already posted'); END;
CREATE TRIGGER posting_kept_update BEFORE UPDATE ON posting BEGIN SELECT RAISE(ABORT, 'the journal is append only'); END;
CREATE TRIGGER posting_kept_delete BEFORE DELETE ON posting BEGIN SELECT RAISE(ABORT, 'the journal is append only'); END;
CREATE TRIGGER posting_kept_insert BEFORE INSERT ON posting
  WHEN (SELECT last_entry FROM posting WHERE first_entry <= NEW.last_entry ORDER BY first_entry DESC LIMIT 1) >= NEW.first_entry
  BEGIN SELECT RAISE(ABORT, 'the journal is append only'); END;
CREATE TRIGGER posting_foots BEFORE INSERT ON posting
  WHEN NEW.last_entry - NEW.first_entry + 1 <> (
    SELECT count(*) FROM (
      SELECT 1 FROM entry_line WHERE entry_id BETWEEN NEW.first_entry AND NEW.last_entry
      GROUP BY entry_id HAVING count(*) >= 2 AND sum(book_amount) = 0))
  BEGIN SELECT RAISE(ABORT, 'the entry does not foot'); END;
CREATE TRIGGER posting_days AFTER INSERT ON posting BEGIN
  INSERT INTO account_day (account_id, posted_on, sum, lines)
    SELECT l.account_id, e.posted_on, sum(l.book_amount), count(*)
    FROM entry_line l JOIN entry e ON e.id = l.entry_id
    WHERE l.entry_id BETWEEN NEW.first_entry AND NEW.last_entry
    GROUP BY l.account_id, e.posted_on
    ON CONFLICT (account_id, posted_on) DO UPDATE SET sum = account_day.sum + excluded.sum, lines = account_day.lines + excluded.lines;
END;
CREATE TRIGGER posting_carried AFTER INSERT ON posting
  WHEN EXISTS (
    SELECT 1 FROM entry_line
    WHERE entry_id BETWEEN NEW.first_entry AND NEW.last_entry
      AND currency <> (SELECT json_extract(value, '$') FROM setting WHERE key = 'currency'))
BEGIN
  INSERT INTO carried (account_id, item_kind, item_id, currency, amount, book)
    SELECT account_id, item_kind, item_id, currency, amount, book_amount FROM entry_line
    WHERE entry_id BETWEEN NEW.first_entry AND NEW.last_entry
      AND item_id IS NOT NULL AND currency <> (SELECT json_extract(value, '$') FROM setting WHERE key = 'currency')
    ON CONFLICT (account_id, item_kind, item_id, currency) DO UPDATE SET amount = carried.amount + excluded.amount, book = carried.book + excluded.book;
END;
