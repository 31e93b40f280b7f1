-- Lines of files that were refused: they wait until their file is read again, or are dropped with a reason.
CREATE TABLE tray_line (
  id INTEGER PRIMARY KEY,
  file_id INTEGER NOT NULL REFERENCES import_file (id),
  line_no INTEGER NOT NULL,
  column_head TEXT NOT NULL,
  why TEXT NOT NULL,
  -- read: its file was read again since, and took it, or refused it anew.
  state TEXT NOT NULL DEFAULT 'waits' CHECK (state IN ('waits', 'dropped', 'read')),
  reason TEXT,
  UNIQUE (file_id, line_no)
) STRICT;
CREATE INDEX tray_waits ON tray_line (id) WHERE state = 'waits';
