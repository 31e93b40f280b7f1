-- What a processor said that it has happened: each is heard once, however often it is sent.
CREATE TABLE processor_event (
  id TEXT PRIMARY KEY,
  account TEXT NOT NULL,
  on_day TEXT NOT NULL,
  came_at TEXT NOT NULL
) STRICT, WITHOUT ROWID;
