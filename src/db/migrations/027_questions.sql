-- Questions of customers about an invoice, or about their account; they hold reminders while they are open.
CREATE TABLE question (
  id INTEGER PRIMARY KEY,
  customer_id INTEGER NOT NULL REFERENCES customer (id),
  open_item_id INTEGER REFERENCES open_item (id),
  state TEXT NOT NULL CHECK (state IN ('open', 'closed')),
  asked_on TEXT NOT NULL
) STRICT;
CREATE INDEX question_open ON question (customer_id) WHERE state = 'open';
CREATE INDEX question_customer ON question (customer_id, id);

-- What was said in one, in turn; who was asked and who answered stays.
CREATE TABLE question_words (
  id INTEGER PRIMARY KEY,
  question_id INTEGER NOT NULL REFERENCES question (id),
  by_customer INTEGER NOT NULL CHECK (by_customer IN (0, 1)),
  actor TEXT NOT NULL,
  words TEXT NOT NULL,
  on_day TEXT NOT NULL,
  at TEXT NOT NULL
) STRICT;
CREATE INDEX question_words_of ON question_words (question_id, id);
CREATE TRIGGER question_words_kept BEFORE UPDATE ON question_words
  BEGIN SELECT RAISE(ABORT, 'what was said does not change'); END;
CREATE TRIGGER question_words_kept_delete BEFORE DELETE ON question_words
  BEGIN SELECT RAISE(ABORT, 'what was said is not deleted'); END;
