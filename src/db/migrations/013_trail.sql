-- The audit trail shows tampering: each command keeps the hash of what it was told, of what it wrote,
-- and of the record before it. `chain` is empty for commands from before.
ALTER TABLE command ADD COLUMN input_hash TEXT NOT NULL DEFAULT '';
ALTER TABLE command ADD COLUMN chain TEXT NOT NULL DEFAULT '';

-- What a row was after a command: a digest of its columns, empty where it was deleted.
CREATE TABLE trail (
  command_id INTEGER NOT NULL,
  place TEXT NOT NULL,
  row_key TEXT NOT NULL,
  digest TEXT NOT NULL,
  PRIMARY KEY (command_id, place, row_key)
) STRICT, WITHOUT ROWID;
CREATE INDEX trail_row ON trail (place, row_key, command_id);

-- Where the chain begins: after which command, and from which hash.
CREATE TABLE trail_start (
  command_id INTEGER NOT NULL,
  chain TEXT NOT NULL
) STRICT;
