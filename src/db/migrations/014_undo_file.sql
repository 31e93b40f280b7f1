-- What rows were before a file was taken in, so that the whole file can be taken back.
CREATE TABLE undo_image (
  command_id INTEGER NOT NULL,
  place TEXT NOT NULL,
  row_key TEXT NOT NULL,
  old TEXT NOT NULL,
  PRIMARY KEY (command_id, place, row_key)
) STRICT, WITHOUT ROWID;

ALTER TABLE import_file ADD COLUMN undone_by INTEGER REFERENCES act (id);
