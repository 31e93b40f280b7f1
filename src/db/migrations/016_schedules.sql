-- Invoices that write themselves: when, what from which day on, and what each period became.
CREATE TABLE schedule (
  id INTEGER PRIMARY KEY,
  customer_id INTEGER NOT NULL REFERENCES customer (id),
  name TEXT NOT NULL,
  state TEXT NOT NULL CHECK (state IN ('running', 'paused', 'ended')),
  -- Periods are counted from here; the first is the one in which it starts.
  counted_from TEXT NOT NULL,
  starts_on TEXT NOT NULL,
  every_count INTEGER NOT NULL CHECK (every_count BETWEEN 1 AND 400),
  every_unit TEXT NOT NULL CHECK (every_unit IN ('day', 'week', 'month', 'quarter', 'year')),
  month_end INTEGER NOT NULL CHECK (month_end IN (0, 1)),
  until TEXT,
  times INTEGER,
  ahead INTEGER NOT NULL CHECK (ahead BETWEEN 0 AND 90),
  prorated INTEGER NOT NULL CHECK (prorated IN (0, 1)),
  makes TEXT NOT NULL CHECK (makes IN ('draft', 'approved', 'sent')),
  -- The next period and the day it is written on; NULL where nothing comes any more.
  next_no INTEGER NOT NULL,
  next_on TEXT,
  failed_on TEXT,
  failed_words TEXT,
  written_by TEXT NOT NULL,
  version INTEGER NOT NULL DEFAULT 0,
  CHECK (counted_from <= starts_on)
) STRICT;
CREATE INDEX schedule_next ON schedule (next_on) WHERE state = 'running';
CREATE INDEX schedule_customer ON schedule (customer_id);

-- What it bills from a day on: lines, terms and words, as a draft without its days.
CREATE TABLE schedule_content (
  schedule_id INTEGER NOT NULL REFERENCES schedule (id),
  from_day TEXT NOT NULL,
  draft TEXT NOT NULL,
  total INTEGER NOT NULL,
  PRIMARY KEY (schedule_id, from_day)
) STRICT, WITHOUT ROWID;

-- Each period once, whatever happens: what it became, or why nothing.
CREATE TABLE schedule_run (
  schedule_id INTEGER NOT NULL REFERENCES schedule (id),
  period_no INTEGER NOT NULL,
  from_day TEXT NOT NULL,
  to_day TEXT NOT NULL,
  document_id INTEGER UNIQUE REFERENCES document (id),
  left_out TEXT,
  PRIMARY KEY (schedule_id, period_no),
  CHECK ((document_id IS NULL) <> (left_out IS NULL))
) STRICT, WITHOUT ROWID;
CREATE TRIGGER schedule_run_kept BEFORE DELETE ON schedule_run
  BEGIN SELECT RAISE(ABORT, 'a period is billed once'); END;
